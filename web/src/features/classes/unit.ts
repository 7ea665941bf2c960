import {
  capacity,
  shareOutLessons,
  stepDates,
  USUAL_CHANGEOVER,
  USUAL_TALK,
  type HearingWay,
  type LessonPart,
  type LocalDate,
  type StepDates,
} from '@escalier/core/calendar';
import { stepNeed, waysToFit, type FitChange, type StepNeed } from '@escalier/core/classes';
import type { ClassView, StepView } from './project.ts';

/** A lesson of the unit with what it holds. */
export interface PlanLesson {
  readonly number: number;
  readonly date: LocalDate;
  readonly step: StepView | null;
  readonly part: LessonPart;
  readonly isPast: boolean;
}

export interface PlanStep extends StepDates, StepNeed {
  readonly step: StepView;
}

export interface UnitPlan {
  readonly lessons: readonly PlanLesson[];
  readonly steps: readonly PlanStep[];
  /** Lessons that the term has no room for. */
  readonly missing: number;
  /** Lessons that the steps take, by what they bring and who has to be heard. */
  readonly needed: number;
  readonly ways: readonly FitChange[];
}

const ROW = 3;
const MORE_MINUTES = 5;

/** The term of a class, lesson by lesson, and what would bring it in where it does not fit. */
export function unitPlan(page: ClassView): UnitPlan {
  const given = page.steps.map((step) => step.lessons);
  const lessons = shareOutLessons(
    page.lessons.all.map((lesson) => lesson.date),
    given,
  );
  const dates = stepDates(lessons, given);
  const pupils = page.pupils.filter((pupil) => pupil.standing !== null).length;
  const { goOnShare, hearing } = page.style;
  const heard = (way: HearingWay, minutes: number): number => heardInLesson(page, way, minutes);
  const alone = heard({ kind: 'alone' }, hearing.minutes);
  const unit = {
    ...{ pupils, goOnShare },
    heard: {
      alone,
      rows: heard({ kind: 'group', size: ROW }, hearing.minutes),
      longer: heard({ kind: 'alone' }, hearing.minutes + MORE_MINUTES),
    },
  };
  const steps = page.steps.map((step, index): PlanStep => ({
    ...dates[index]!,
    ...stepNeed(step.rise.total, unit, alone),
    step,
  }));
  const ways = waysToFit(
    page.steps.map((step) => ({
      ...{ rise: step.rise.total, lessons: step.lessons },
      isQuiet: step.newNotes.length + step.newElements.length + step.newSigns.length === 0,
    })),
    unit,
  );
  return {
    lessons: lessons.map(({ step, ...lesson }) => ({
      ...lesson,
      step: step === null ? null : page.steps[step]!,
      isPast: lesson.date < page.today,
    })),
    steps,
    missing: steps.reduce((sum, step) => sum + step.missing, 0),
    needed: steps.reduce((sum, step) => sum + step.needed, 0),
    ways,
  };
}

/** Pupils who can be heard in some minutes of a lesson, at the mean length of the tunes. */
export function heardInLesson(page: ClassView, way: HearingWay, minutes: number): number {
  const seconds = page.steps.map((step) => step.tuneSeconds);
  const tuneSeconds = seconds.reduce((sum, each) => sum + each, 0) / Math.max(1, seconds.length);
  return capacity({
    ...{ tuneSeconds, changeoverSeconds: USUAL_CHANGEOVER, talkSeconds: USUAL_TALK, way, minutes },
    pupils: page.pupils.length,
  }).pupilsPerLesson;
}

export const PART_WORDS: Readonly<Record<LessonPart, string>> = {
  first: 'New',
  middle: 'Tune',
  hearing: 'Tune, hearing',
  review: 'Review',
  concert: 'Play for others',
};

/** What a change would do, with the lessons that it saves. */
export function wayWords({ kind, step }: FitChange, steps: readonly StepView[]): string {
  const title = step === null ? '' : `“${steps[step]!.title}”`;
  switch (kind) {
    case 'rows':
      return 'Hear in rows of three';
    case 'recordings':
      return 'Hear from recordings, outside the lessons';
    case 'longer':
      return `Hear for ${MORE_MINUTES} minutes more in each lesson`;
    case 'merge':
      return `Merge ${title} with the step after it`;
    case 'drop':
      return `Leave out ${title}, which brings nothing new`;
  }
}
