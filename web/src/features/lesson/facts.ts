import { goOnSetting } from '@escalier/core/classes';
import { USUAL_PAUSE, type Lesson, type LessonPart, type LocalDate } from '@escalier/core/calendar';
import {
  isPlayedThrough,
  type LessonFacts,
  type LessonHistory,
  type LessonStep,
  type WeakSpot,
} from '@escalier/core/lesson';
import { goOnFromStep, type GoOnAnswer } from '@escalier/core/records';
import type { ClassView, StepView } from '../classes/index.ts';

/** The lesson that is planned or runs: today's as long as it has not ended, or the next. */
export function lessonToPlan(
  { lessons, today }: ClassView,
  wasHeldOn: (date: LocalDate) => boolean = () => false,
): Lesson | null {
  return lessons.all.find((lesson) => lesson.date >= today && !wasHeldOn(lesson.date)) ?? null;
}

/** The step that the class works on; null once all are passed. */
export function stepOfClass({ steps, classStep }: ClassView): StepView | null {
  return steps[classStep] ?? null;
}

/**
 * What the calendar holds for a lesson, as far as the class is where the calendar has it; else by what the class has done
 * with its step.
 */
export function partOf(
  planned: { readonly step: StepView | null; readonly part: LessonPart } | null,
  step: StepView | null,
  history: LessonHistory,
): LessonPart {
  if (planned === null || step === null) return planned?.part ?? 'middle';
  if (planned.part === 'review' || planned.part === 'concert') return planned.part;
  const isBegun = history.last?.run.step === step.position;
  if (planned.step?.id !== step.id) return isBegun ? 'middle' : 'first';
  return planned.part === 'first' && isBegun ? 'middle' : planned.part;
}

/** Whether the class goes on from its step, by its own rule, and who was left behind when it came there. */
export function goOnOf({ pupils, steps, style, classStep }: ClassView): {
  readonly here: GoOnAnswer;
  readonly before: GoOnAnswer | null;
} {
  const standings = pupils.flatMap(({ standing }) => standing ?? []);
  const from = (step: number): GoOnAnswer => goOnFromStep(standings, goOnSetting(style), steps[step]?.id ?? '', step);
  return {
    here: from(Math.min(classStep, steps.length - 1)),
    before: classStep === 0 ? null : from(classStep - 1),
  };
}

/** What several stumble over: the hardest move of the step that most of those who are stuck work on. */
export function weakSpots({ stuck, steps }: ClassView): readonly WeakSpot[] {
  const counts = new Map<number, number>();
  for (const { stepIndex } of stuck) counts.set(stepIndex, (counts.get(stepIndex) ?? 0) + 1);
  return [...counts]
    .toSorted((a, b) => b[1] - a[1])
    .flatMap(([index]): WeakSpot[] => {
      const [hard] = steps[index]?.hardMoves ?? [];
      return hard === undefined ? [] : [{ kind: 'move', from: hard.from, to: hard.to }];
    });
}

/** Whether somebody has been heard on the class's step, or past it: then the class has played it. */
function isHeardOn({ pupils, classStep }: ClassView): boolean {
  return pupils.some(
    ({ standing }) =>
      standing !== null &&
      (standing.stepIndex > classStep || (standing.stepIndex === classStep && standing.triesOnStep > 0)),
  );
}

export interface PlanSources {
  readonly lesson: Pick<Lesson, 'number' | 'minutes'>;
  readonly part: LessonPart;
  readonly step: LessonStep | null;
  readonly history: LessonHistory;
  readonly toClean: number;
  readonly beltsToHand: number;
  /** Pupils who said to be ready: they are heard first. */
  readonly ready: readonly string[];
}

/** From what a lesson of this class is planned: where it stands today, and what earlier lessons left. */
export function factsOf(page: ClassView, sources: PlanSources): LessonFacts {
  const here = page.pupils.filter((pupil) => pupil.standing !== null && !pupil.away);
  const stepIndexOf = (pupilId: string): number =>
    here.find((pupil) => pupil.id === pupilId)?.standing?.stepIndex ?? page.classStep;
  const turn = (at: number): number => Math.round(page.steps[at]?.tuneSeconds ?? 30) + USUAL_PAUSE;
  const { step, history } = sources;
  const isPlayed = isHeardOn(page) || (step !== null && isPlayedThrough(history.rungsDone(step.position)));
  const readyFirst = (pupilId: string): number => (sources.ready.includes(pupilId) ? 0 : 1);
  return {
    minutes: sources.lesson.minutes,
    seed: sources.lesson.number,
    part: sources.part,
    step,
    usual: history.usual,
    open: history.open,
    hearingMinutes: page.style.hearing.minutes,
    queue: page.queue
      .filter(({ reason }) => reason !== 'today')
      .toSorted((a, b) => readyFirst(a.pupilId) - readyFirst(b.pupilId))
      .map(({ pupilId, reason }) => {
        const at = stepIndexOf(pupilId);
        return { pupilId, reason, seconds: turn(at), step: page.steps[at]?.position ?? at + 1 };
      }),
    noteTaught: isPlayed || (step !== null && history.isNoteTaught(step.position)),
    playedThrough: isPlayed,
    hearsAfterPlaying: page.style.hearing.afterPlaying,
    ahead: here.filter(({ standing }) => standing!.stepIndex > page.classStep).map(({ id }) => id),
    behind: here.filter(({ standing }) => standing!.stepIndex < page.classStep).map(({ id }) => id),
    weak: weakSpots(page),
    toClean: sources.toClean,
    beltsToHand: sources.beltsToHand,
  };
}
