import type { LessonPart } from '@escalier/core/calendar';
import { MORE_MINUTES, type FitChange, type UnitPlan, type PlannableStep } from '@escalier/core/classes';
import { shortDate } from '../../ui/dates.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

export const PART_WORDS: Readonly<Record<LessonPart, string>> = {
  first: t('unit-words.new'),
  middle: t('unit-words.tune'),
  hearing: t('unit-words.tune-hearing'),
  review: t('unit-words.review'),
  concert: t('unit-words.play-for-others'),
};

/** What a change would do, with the lessons that it saves. */
export function wayWords({ kind, step }: FitChange, steps: readonly PlannableStep[]): string {
  const title = step === null ? '' : `“${steps[step]!.title}”`;
  switch (kind) {
    case 'rows':
      return t('unit-words.hear-in-rows-of-three');
    case 'recordings':
      return t('unit-words.hear-from-recordings-outside-the-lessons');
    case 'longer':
      return t('unit-words.hear-for-more-minutes-more-minutes', { moreMinutes: MORE_MINUTES });
    case 'merge':
      return t('unit-words.merge-title-with-the-step-after', { title });
    case 'drop':
      return t('unit-words.leave-out-title-which-brings-nothing', { title });
    case 'concert':
      return t('unit-words.play-title-at-the-concert-title2', { title: steps[step! - 1]!.title, title2: title });
  }
}

/** What a change of the lessons has moved: "2 steps move; step 6 now ends Feb 5." */
export function shiftWords(before: UnitPlan, after: UnitPlan): string {
  const shifted = after.steps.filter((step, index) => step.to !== before.steps[index]!.to);
  const cost = after.missing - before.missing;
  const lost = cost > 0 ? t('unit-words.lessons', { lessons: counted('lessons-do', { n: cost }) }) : '';
  const last = shifted.at(-1);
  if (last === undefined) return t('unit-words.no-step-moves-lost', { lost });
  const end = last.to === null ? t('unit-words.after-the-term') : shortDate(last.to);
  return t('unit-words.steps-step-position-now-ends-end', {
    steps: counted('steps-move', { n: shifted.length }),
    position: last.step.position,
    end,
    lost,
  });
}
