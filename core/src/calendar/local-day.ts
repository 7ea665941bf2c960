import { formatISO } from 'date-fns';
import type { LocalDate } from './term.ts';

const MOST_DAYS = 20_000;
const formats = new Map<string, (moment: string) => LocalDate>();

/** The calendar day of a date of this device's clock. */
export function localDate(day: Date): LocalDate {
  return formatISO(day, { representation: 'date' }) as LocalDate;
}

/** Gives the calendar day of a moment (ISO 8601) in a time zone, `2026-03-03`. @throws RangeError for no time zone. */
export function dayIn(timeZone: string): (moment: string) => LocalDate {
  const known = formats.get(timeZone);
  if (known !== undefined) return known;
  // Of all locales Canada's English writes days as ISO 8601 does. Making a format is a hundred times its use.
  const format = new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' });
  // The same moments are asked for again and again: when each pupil of a school was last heard.
  const days = new Map<string, LocalDate>();
  const dayOf = (moment: string): LocalDate => {
    const kept = days.get(moment);
    if (kept !== undefined) return kept;
    const day = format.format(new Date(moment)) as LocalDate;
    if (days.size >= MOST_DAYS) days.clear();
    days.set(moment, day);
    return day;
  };
  formats.set(timeZone, dayOf);
  return dayOf;
}
