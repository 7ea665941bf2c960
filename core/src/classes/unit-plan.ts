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
  type UnitLesson,
} from '../calendar/index.ts';
import { levelAfter, stepNeed, waysToFit, type FitChange, type StepNeed } from './unit-fit.ts';

/** A step, as the plan of a unit needs it. */
export interface PlannableStep {
  readonly position: number;
  readonly title: string;
  /** Lessons that its staircase gives it. */
  readonly lessons: number;
  /** One playing of its tune, in seconds. */
  readonly tuneSeconds: number;
  readonly rise: { readonly total: number };
  readonly newNotes: readonly string[];
  readonly newElements: readonly string[];
  readonly newSigns: readonly string[];
}

/** A class, as the plan of its unit needs it. */
export interface PlannableClass<Step extends PlannableStep> {
  readonly id: string;
  readonly staircaseId: string;
  readonly today: LocalDate;
  readonly steps: readonly Step[];
  /** All lessons of the term, those that have been too. */
  readonly lessons: { readonly all: readonly { readonly date: LocalDate }[] };
  readonly style: { readonly goOnShare: number; readonly hearing: { readonly minutes: number } };
  /** Pupils who have left stand nowhere. */
  readonly pupils: readonly { readonly standing: object | null }[];
  /** Pupils that are heard in a lesson. */
  readonly pace: { readonly perLesson: number };
  /** Index of the step that the class works on. */
  readonly classStep: number;
}

/** A class beside others of its grade and term, with the days of its lessons. */
export interface UnitGroup {
  readonly id: string;
  readonly name: string;
  readonly staircaseId: string;
  readonly dates: readonly LocalDate[];
}

/** A lesson of the unit with what it holds. */
export interface PlanLesson<Step extends PlannableStep = PlannableStep> {
  readonly number: number;
  readonly date: LocalDate;
  readonly step: Step | null;
  readonly part: LessonPart;
  readonly isPast: boolean;
}

export interface PlanStep<Step extends PlannableStep = PlannableStep> extends StepDates, StepNeed {
  readonly step: Step;
}

export interface UnitPlan<Step extends PlannableStep = PlannableStep> {
  readonly lessons: readonly PlanLesson<Step>[];
  readonly steps: readonly PlanStep<Step>[];
  /** Lessons that the term has no room for. */
  readonly missing: number;
  /** Lessons that the steps take, by what they bring and who has to be heard. */
  readonly needed: number;
  readonly ways: readonly FitChange[];
}

const ROW = 3;
/** What a longer hearing takes of a lesson. */
export const MORE_MINUTES = 5;

/** The term of a class, lesson by lesson, and what would bring it in where it does not fit. */
export function unitPlan<Step extends PlannableStep>(page: PlannableClass<Step>): UnitPlan<Step> {
  const given = page.steps.map((step) => step.lessons);
  const lessons = shareOutLessons(
    page.lessons.all.map((lesson) => lesson.date),
    given,
  );
  const dates = stepDates(lessons, given);
  const pupils = inClass(page);
  const { goOnShare, hearing } = page.style;
  const heard = (way: HearingWay, minutes: number): number => heardInLesson(page, way, minutes);
  const alone = page.pace.perLesson;
  const unit = {
    pupils,
    goOnShare,
    heard: {
      alone,
      rows: heard({ kind: 'group', size: ROW }, hearing.minutes),
      longer: heard(ALONE, hearing.minutes + MORE_MINUTES),
    },
  };
  const steps = page.steps.map((step, index): PlanStep<Step> => ({
    ...dates[index]!,
    ...stepNeed(step.rise.total, unit, alone),
    step,
  }));
  const ways = waysToFit(
    page.steps.map((step) => ({
      rise: step.rise.total,
      lessons: step.lessons,
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

/** Pupils who can be heard in a lesson another way or in other minutes: as many times as many as now as the sums of one turn say. */
export function heardInLesson(page: PlannableClass<PlannableStep>, way: HearingWay, minutes: number): number {
  return page.pace.perLesson * (heardBySums(page, way, minutes) / heardBySums(page, ALONE, page.style.hearing.minutes));
}

const ALONE: HearingWay = { kind: 'alone' };

/** At the mean length of the tunes; one at least. */
function heardBySums(page: PlannableClass<PlannableStep>, way: HearingWay, minutes: number): number {
  const seconds = page.steps.map((step) => step.tuneSeconds);
  const tuneSeconds = seconds.reduce((sum, each) => sum + each, 0) / Math.max(1, seconds.length);
  const { pupilsPerLesson } = capacity({
    tuneSeconds,
    changeoverSeconds: USUAL_CHANGEOVER,
    talkSeconds: USUAL_TALK,
    way,
    minutes,
    pupils: inClass(page),
  });
  return Math.max(1, pupilsPerLesson);
}

function inClass(page: PlannableClass<PlannableStep>): number {
  return page.pupils.filter((pupil) => pupil.standing !== null).length;
}

/**
 * Lessons that a step has when it ends with another lesson of the plan: those from its first on, reviews left aside.
 * @param end index of the lesson.
 */
export function lessonsUntil(lessons: readonly PlanLesson[], step: PlannableStep, end: number): number {
  const first = lessons.findIndex((lesson) => lesson.step === step);
  return Math.max(1, lessons.slice(first, end + 1).filter(({ part }) => part !== 'review').length);
}

/** A parallel class that climbs the same stairs, beside this one. */
export interface Beside {
  readonly id: string;
  readonly name: string;
  /** Its day for each lesson of this class's plan, in their order; null where it has none. */
  readonly days: readonly (LocalDate | null)[];
}

/** The same lesson of the plan in each parallel group: the same of its step, reviews left aside. */
export function besideOf(
  page: PlannableClass<PlannableStep>,
  calendar: { readonly groups: readonly UnitGroup[] },
): readonly Beside[] {
  const given = page.steps.map((step) => step.lessons);
  const own = placesOf(
    shareOutLessons(
      page.lessons.all.map((lesson) => lesson.date),
      given,
    ),
  );
  return calendar.groups
    .filter((group) => group.id !== page.id && group.staircaseId === page.staircaseId)
    .map(({ id, name, dates }) => {
      const lessons = shareOutLessons(dates, given);
      const days = new Map(placesOf(lessons).map((place, index) => [place, lessons[index]!.date]));
      return { id, name, days: own.map((place) => (place === null ? null : (days.get(place) ?? null))) };
    });
}

/** "2.1" is the second lesson of the third step; null for a review. */
function placesOf(lessons: readonly UnitLesson[]): readonly (string | null)[] {
  const had = new Map<number, number>();
  return lessons.map(({ step, part }) => {
    if (step === null || part === 'review') return null;
    const count = had.get(step) ?? 0;
    had.set(step, count + 1);
    return `${step}.${count}`;
  });
}

/** What brings this class level with the group that is furthest, and the day by which it is. */
export interface LevelWay {
  readonly way: FitChange;
  readonly by: LocalDate | null;
}

/** The smallest changes that make up for so many lessons, from the step on that the class works on. */
export function waysLevel(page: PlannableClass<PlannableStep>, plan: UnitPlan, behind: number): readonly LevelWay[] {
  return plan.ways.flatMap((way): LevelWay[] => {
    const step = levelAfter(way, behind, page.classStep);
    return step === null ? [] : [{ way, by: plan.steps[step]!.to }];
  });
}
