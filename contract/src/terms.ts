import {
  LESSON_MODES,
  MOST_CALENDAR_CHARACTERS,
  type DaysOff,
  type GroupStand,
  type Lesson,
  type LostLesson,
  type ReadHolidays,
  type Rotation,
} from '@escalier/core/calendar';
import * as z from 'zod/mini';
import { count, id, linkToken, localDate, type ReadOf, typed, version } from './fields.ts';

const MOST_TERM_DAYS = 400;
const DAY = 86_400_000;

export const rotation = z.object({
  firstWeek: z.enum(['A', 'B']),
  emptyWeeksCount: z.boolean(),
  cycleDays: z.int().check(z.gte(0), z.lte(20)),
}) satisfies z.ZodMiniType<Rotation>;

const dayOff = z
  .object({ from: localDate, to: localDate, reason: typed(1, 100) })
  .check(z.refine((off) => off.from <= off.to, 'first-last')) satisfies z.ZodMiniType<DaysOff>;

const termFields = z.object({
  name: typed(1, 80),
  startsOn: localDate,
  endsOn: localDate,
  daysOff: z.array(dayOff).check(z.maxLength(200)),
  rotation,
});

interface Days {
  readonly startsOn: string;
  readonly endsOn: string;
}

/** What holds for the days of a term wherever it comes from: a form or an archive. */
export function withDays<T extends z.ZodMiniType<Days>>(term: T): T {
  return term.check(
    z.refine((read: Days) => read.startsOn < read.endsOn, { path: ['endsOn'], message: 'first-last' }),
    z.refine((read: Days) => Date.parse(read.endsOn) - Date.parse(read.startsOn) <= MOST_TERM_DAYS * DAY, {
      path: ['endsOn'],
      message: 'too-many-days',
      params: { most: MOST_TERM_DAYS },
    }),
  );
}

export const TermInput = withDays(termFields);
export type TermInput = z.output<typeof TermInput>;

export const TermChange = withDays(z.extend(termFields, { version }));
export type TermChange = z.output<typeof TermChange>;

const text = z.string();

export const TermDto = z.object({
  id,
  name: text,
  startsOn: localDate,
  endsOn: localDate,
  daysOff: z.array(z.object({ from: localDate, to: localDate, reason: text })),
  rotation,
  version,
});
export type TermDto = ReadOf<typeof TermDto>;
export const termList = z.array(TermDto);

export const icsInput = z.object({ ics: z.string().check(z.minLength(1), z.maxLength(MOST_CALENDAR_CHARACTERS)) });
/** What a calendar file would add to a term; what of it is no day off stands in sentences. */
export const readHolidays = z.object({
  daysOff: TermDto.shape.daysOff,
  leftOut: z.array(text),
}) satisfies z.ZodMiniType<ReadHolidays>;

/** A lesson of a term: a meeting that takes place. */
export const lesson = z.object({
  /** Counted from 1 within the term. */
  number: z.int().check(z.gte(1)),
  date: localDate,
  at: text,
  minutes: count,
  mode: z.enum(LESSON_MODES),
}) satisfies z.ZodMiniType<Lesson>;

const lostLesson = z.object({ date: localDate, at: text, reason: text }) satisfies z.ZodMiniType<LostLesson>;

/** A class beside others of its grade and term. */
const ParallelGroup = z.object({
  id,
  name: text,
  staircaseId: id,
  had: count,
  left: count,
  total: count,
  /** Of those left, how many are work set for home. */
  leftAtHome: count,
  /** Lessons that the furthest group has had more, today and by the end of the term. */
  behind: z.int(),
  behindAtEnd: z.int(),
  /** Since when it has been behind without a break; null when it is not. */
  behindSince: z.nullable(localDate),
  /** Days of its lessons, in order. */
  dates: z.array(localDate),
}) satisfies z.ZodMiniType<GroupStand>;
export type ParallelGroup = ReadOf<typeof ParallelGroup>;

export const ClassCalendar = z.object({
  term: TermDto,
  lessons: z.array(lesson),
  lost: z.array(lostLesson),
  /** Of those, the ones that this class alone loses. */
  lostHere: z.array(z.object({ date: localDate, reason: text })),
  /** This class and the parallel ones of its grade and term. */
  groups: z.array(ParallelGroup),
  /** Secret end of the address to subscribe to; null as long as there is none. */
  token: z.nullable(linkToken),
});
export type ClassCalendar = ReadOf<typeof ClassCalendar>;

export const linkSwitch = z.object({ on: z.boolean() });
export const calendarLink = z.object({ token: z.nullable(linkToken) });
export const tokenParam = z.object({ token: linkToken });

/** One lesson of a class is lost, or takes place after all. */
export const LostInput = z.object({ date: localDate, reason: z._default(typed(0, 80), ''), isLost: z.boolean() });
export type LostInput = z.output<typeof LostInput>;
export const isLost = z.object({ isLost: z.boolean() });
