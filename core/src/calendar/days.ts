import { addDays, differenceInCalendarDays, getISODay, parseISO, startOfISOWeek } from 'date-fns';
import { localDate } from './local-day.ts';
import { NO_ROTATION, type DaysOff, type LocalDate, type Term } from './term.ts';

/** A day of the term with what the rotations make of it. */
export interface TermDay {
  readonly date: LocalDate;
  readonly weekday: number;
  /** What it is off for; null on days of school and on week-ends. */
  readonly off: DaysOff | null;
  readonly week: 'A' | 'B';
  /** Day of the cycle, counted from 1; null where there is no cycle, and on days without school. */
  readonly cycleDay: number | null;
}

/** Every day of a term, first to last. */
export function termDays(term: Term): readonly TermDay[] {
  const first = parseISO(term.startsOn);
  const count = differenceInCalendarDays(parseISO(term.endsOn), first) + 1;
  const days = Array.from({ length: Math.max(0, count) }, (_, offset) => {
    const day = addDays(first, offset);
    const date = localDate(day);
    const off = term.daysOff.find((each) => each.from <= date && date <= each.to) ?? null;
    return { date, weekday: getISODay(day), off, monday: localDate(startOfISOWeek(day)) };
  });
  const isSchoolDay = (day: { readonly weekday: number; readonly off: DaysOff | null }): boolean =>
    day.off === null && day.weekday <= FRIDAY;
  const mondays = [...new Set(days.map((day) => day.monday))].filter(
    (monday) => term.rotation.emptyWeeksCount || days.some((day) => day.monday === monday && isSchoolDay(day)),
  );
  let schoolDays = 0;
  return days.map(({ date, weekday, off, monday }): TermDay => {
    const isFirst = mondays.filter((each) => each < monday).length % 2 === 0;
    const { cycleDays, firstWeek } = term.rotation;
    const counts = cycleDays > 0 && isSchoolDay({ weekday, off });
    if (counts) schoolDays += 1;
    return {
      date,
      weekday,
      off,
      week: isFirst === (firstWeek === 'A') ? 'A' : 'B',
      cycleDay: counts ? ((schoolDays - 1) % cycleDays) + 1 : null,
    };
  });
}

const FRIDAY = 5;

const PROPOSED_WEEKS = 12;

/** A term to begin with when a school has none: whole weeks from that of `today` on. Its dates are changed later. */
export function proposedTerm(today: LocalDate): Term {
  const monday = startOfISOWeek(parseISO(today));
  return {
    startsOn: localDate(monday),
    endsOn: localDate(addDays(monday, 7 * PROPOSED_WEEKS - 3)),
    daysOff: [],
    rotation: NO_ROTATION,
  };
}
