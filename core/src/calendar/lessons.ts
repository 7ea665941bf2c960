import { addDays, differenceInCalendarDays, formatISO, getISODay, parseISO } from 'date-fns';

/** A calendar day without a time, `2026-11-25`. */
export type LocalDate = string;

export interface Term {
  readonly startsOn: LocalDate;
  readonly endsOn: LocalDate;
  /** First and last day, both off; a single lost day has them equal. */
  readonly daysOff: readonly { readonly from: LocalDate; readonly to: LocalDate; readonly reason: string }[];
}

/** A weekly meeting. Weekdays are counted as ISO does: Monday is 1. */
export interface Meeting {
  readonly weekday: number;
  /** Local time, `09:40`. */
  readonly at: string;
  readonly minutes: number;
}

export interface Lesson {
  /** Counted from 1 within the term. */
  readonly number: number;
  readonly date: LocalDate;
  readonly at: string;
  readonly minutes: number;
}

/** The lessons of a term in order of time: every meeting that does not fall on a day off. */
export function lessonsOf(term: Term, meetings: readonly Meeting[]): readonly Lesson[] {
  const first = parseISO(term.startsOn);
  const days = differenceInCalendarDays(parseISO(term.endsOn), first);
  const found: Omit<Lesson, 'number'>[] = [];
  for (let offset = 0; offset <= days; offset++) {
    const day = addDays(first, offset);
    const date = formatISO(day, { representation: 'date' });
    if (term.daysOff.some((off) => off.from <= date && date <= off.to)) continue;
    const today = meetings.filter((meeting) => meeting.weekday === getISODay(day));
    for (const meeting of today.toSorted((a, b) => a.at.localeCompare(b.at))) {
      found.push({ date, at: meeting.at, minutes: meeting.minutes });
    }
  }
  return found.map((lesson, index) => ({ number: index + 1, ...lesson }));
}

export interface LessonsNow {
  /** Lessons on days before today. */
  readonly had: number;
  /** Lessons today and later. */
  readonly left: number;
  readonly next: Lesson | null;
}

export function lessonsNow(lessons: readonly Lesson[], today: LocalDate): LessonsNow {
  const had = lessons.filter((lesson) => lesson.date < today).length;
  return { had, left: lessons.length - had, next: lessons[had] ?? null };
}
