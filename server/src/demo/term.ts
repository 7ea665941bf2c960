import { localDate, NO_ROTATION, type DaysOff, type Term } from '@escalier/core/calendar';
import { addDays, addWeeks, differenceInCalendarWeeks, startOfISOWeek } from 'date-fns';

/** Full weeks of teaching before the week of today. */
const WEEKS_GONE = 4;
/** Weeks of the term, its half-term holiday with them. */
const WEEKS = 14;
const HALF_TERM = { week: 7, reason: 'Half-term holiday' };
const REPAIR = { week: 2, weekday: 3, reason: 'Boiler repair' };
const CHRISTMAS_WEEKS = 2;
/** Teaching weeks after Christmas for which a term is carried over it. */
const WORTH_CARRYING = 2;

const weeks = (from: Date, to: Date): number => differenceInCalendarWeeks(to, from, { weekStartsOn: 1 });
const friday = (monday: Date): Date => addDays(monday, 4);

/** The Monday of the week with Christmas Day, in the school year of a Monday. */
function christmasAfter(monday: Date): Date {
  const own = startOfISOWeek(new Date(monday.getFullYear(), 11, 25));
  return addWeeks(own, CHRISTMAS_WEEKS) <= monday ? startOfISOWeek(new Date(monday.getFullYear() + 1, 11, 25)) : own;
}

/**
 * A term with a usual break, laid so that `today` is in its fifth week of lessons: over Christmas nobody has lessons,
 * and a term that would end just after ends before.
 */
export function termAround(today: Date): Term & { readonly name: string } {
  const monday = startOfISOWeek(today);
  let start = addWeeks(monday, -WEEKS_GONE);
  const christmas = christmasAfter(start);
  if (christmas < monday) start = addWeeks(start, -Math.min(CHRISTMAS_WEEKS, weeks(christmas, monday)));
  const before = weeks(start, christmas);
  const carried = before <= WEEKS - WORTH_CARRYING;
  const length = carried ? WEEKS + 1 : Math.min(WEEKS, before);
  const off = (first: Date, last: Date, reason: string): DaysOff => ({
    from: localDate(first),
    to: localDate(last),
    reason,
  });
  const repair = addDays(start, 7 * (REPAIR.week - 1) + REPAIR.weekday - 1);
  const half = addWeeks(start, HALF_TERM.week - 1);
  const holiday = carried
    ? off(christmas, friday(addWeeks(christmas, CHRISTMAS_WEEKS - 1)), 'Christmas holiday')
    : off(half, friday(half), HALF_TERM.reason);
  return {
    name: nameOf(start),
    startsOn: localDate(start),
    endsOn: localDate(friday(addWeeks(start, length - 1))),
    rotation: NO_ROTATION,
    daysOff: [
      ...(localDate(repair) >= holiday.from && localDate(repair) <= holiday.to
        ? []
        : [off(repair, repair, REPAIR.reason)]),
      holiday,
    ],
  };
}

function nameOf(start: Date): string {
  const month = start.getMonth();
  const season = month >= 7 && month <= 10 ? 'Autumn' : month === 11 || month <= 2 ? 'Spring' : 'Summer';
  return `${season} term`;
}
