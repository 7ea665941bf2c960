import {
  leaveOut,
  lockBlock,
  moveBlock,
  putIn,
  setMinutes,
  swapBlock,
  usualFrom,
  type BlockKind,
  type LessonPlan,
  type PlanChange,
} from '@escalier/core/lesson';
import { useNotices } from '../../ui/use-notices.ts';
import type { usePlan } from './use-plan.ts';
import { t } from './messages.ts';

const REFUSED = {
  'too-long': t('use-plan-changes.the-locked-parts-are-longer-than'),
  'too-short': t('use-plan-changes.all-parts-are-locked-and-dont'),
  last: t('use-plan-changes.a-lesson-needs-at-least-one'),
} as const;

/** What a teacher changes in a plan is kept for that lesson at once. */
export function usePlanChanges({ plan, facts, lesson, lessons }: ReturnType<typeof usePlan>) {
  const notices = useNotices();

  function keep(next: LessonPlan): void {
    if (lesson.value !== null) lessons.note(lesson.value.date, { kind: 'planned', plan: next });
  }

  function change(made: (now: LessonPlan, by: NonNullable<typeof facts.value>) => PlanChange): void {
    if (plan.value === null || facts.value === null) return;
    const changed = made(plan.value, facts.value);
    if (changed.ok) keep(changed.value);
    else notices.fail(REFUSED[changed.error]);
  }

  return {
    move: (from: number, to: number) => plan.value !== null && keep(moveBlock(plan.value, from, to)),
    minutes: (id: string, minutes: number) => change((now, by) => setMinutes(now, id, minutes, by)),
    lock: (id: string, locked: boolean) => plan.value !== null && keep(lockBlock(plan.value, id, locked)),
    swap: (id: string, kind: BlockKind) => change((now, by) => swapBlock(now, id, kind, by)),
    leave: (id: string) => change((now, by) => leaveOut(now, id, by)),
    add: (kind: BlockKind) => change((now, by) => putIn(now, kind, Math.max(1, now.blocks.length - 1), by)),
    saveUsual(): void {
      if (plan.value === null || lesson.value === null) return;
      lessons.note(lesson.value.date, { kind: 'usual', usual: usualFrom(plan.value) });
      notices.say(t('use-plan-changes.saved-as-your-usual-lesson-new'));
    },
    forgetUsual(): void {
      if (lesson.value !== null) lessons.note(lesson.value.date, { kind: 'usual', usual: null });
    },
    /** Back to what Escalier proposes for where the class stands now. */
    again: (proposed: LessonPlan) => keep(proposed),
  };
}
