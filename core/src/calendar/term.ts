import type { LocalDate } from '../units/index.ts';

export type { LocalDate } from '../units/index.ts';

export interface DaysOff {
  readonly from: LocalDate;
  /** The last day off; a single lost day has both equal. */
  readonly to: LocalDate;
  readonly reason: string;
}

/** How weeks and days are counted where meetings do not come every week. */
export interface Rotation {
  /** The week in which the term begins. */
  readonly firstWeek: 'A' | 'B';
  /** A week in which there is no school does not count, so that A follows B after the holidays too. */
  readonly emptyWeeksCount: boolean;
  /** School days of a cycle; day 1 is the first school day of the term. 0 where there is no cycle. */
  readonly cycleDays: number;
}

export const NO_ROTATION: Rotation = { firstWeek: 'A', emptyWeeksCount: true, cycleDays: 0 };

export interface Term {
  readonly startsOn: LocalDate;
  readonly endsOn: LocalDate;
  readonly daysOff: readonly DaysOff[];
  readonly rotation: Rotation;
}

/** When a class meets. Weekdays are counted as ISO does: Monday is 1. */
export type MeetingDay =
  | { readonly kind: 'weekly'; readonly weekday: number }
  | { readonly kind: 'alternating'; readonly week: 'A' | 'B'; readonly weekday: number }
  | { readonly kind: 'cycle'; readonly day: number };

export interface Meeting {
  readonly on: MeetingDay;
  /** Local time, `09:40`. */
  readonly at: string;
  readonly minutes: number;
  /** In the room, or work set for home. */
  readonly mode: LessonMode;
}

export const LESSON_MODES = ['room', 'home'] as const;
export type LessonMode = (typeof LESSON_MODES)[number];

export interface Lesson {
  /** Counted from 1 within the term. */
  readonly number: number;
  readonly date: LocalDate;
  readonly at: string;
  readonly minutes: number;
  readonly mode: LessonMode;
}
