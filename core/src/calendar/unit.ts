import type { LocalDate } from './term.ts';

/** What a lesson of a unit is for: the step's first, the ones in its middle, its last, one after holidays, or the very last. */
export const LESSON_PARTS = ['first', 'middle', 'hearing', 'review', 'concert'] as const;
export type LessonPart = (typeof LESSON_PARTS)[number];

export interface UnitLesson {
  /** Counted from 1. */
  readonly number: number;
  readonly date: LocalDate;
  /** Index of the step; null when all steps are over. */
  readonly step: number | null;
  readonly part: LessonPart;
}

/** More days than these without a lesson are holidays: the first lesson after them goes over what was known. */
export const HOLIDAY_DAYS = 15;

const DAY = 86_400_000;

/**
 * Shares out the lessons of a term to the steps of a staircase, each as many as it is given. A lesson after holidays is
 * for review and moves the rest; the last of the term is for playing to others, once all steps have had theirs.
 * @param steps lessons of each step, from the first up.
 */
export function shareOutLessons(dates: readonly LocalDate[], steps: readonly number[]): readonly UnitLesson[] {
  let step = 0;
  let had = 0;
  return dates.map((date, index): UnitLesson => {
    const number = index + 1;
    const before = dates[index - 1];
    const isAfterHolidays = before !== undefined && (Date.parse(date) - Date.parse(before)) / DAY > HOLIDAY_DAYS;
    const given = steps[step];
    if (given === undefined)
      return { number, date, step: null, part: index === dates.length - 1 ? 'concert' : 'review' };
    if (isAfterHolidays) return { number, date, step, part: 'review' };
    had += 1;
    const part: LessonPart = had === 1 ? 'first' : had === given ? 'hearing' : 'middle';
    const lesson = { number, date, step, part };
    if (had === given) [step, had] = [step + 1, 0];
    return lesson;
  });
}

export interface StepDates {
  /** Null where the term ends before the step begins. */
  readonly from: LocalDate | null;
  readonly to: LocalDate | null;
  /** Lessons that the term has no room for. */
  readonly missing: number;
}

/** When each step begins and ends. */
export function stepDates(lessons: readonly UnitLesson[], steps: readonly number[]): readonly StepDates[] {
  return steps.map((given, index): StepDates => {
    const own = lessons.filter((lesson) => lesson.step === index);
    const taught = own.filter((lesson) => lesson.part !== 'review').length;
    return { from: own[0]?.date ?? null, to: own.at(-1)?.date ?? null, missing: Math.max(0, given - taught) };
  });
}
