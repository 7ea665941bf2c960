import type { LocalDate } from '@escalier/core/calendar';

/** Dates and times as the browser's language writes them. */

/** Making a format takes a hundred times as long as using it, so each is made once, on first use. */
function format(options: Intl.DateTimeFormatOptions): (date: string, timeZone?: string) => string {
  const made = new Map<string | undefined, Intl.DateTimeFormat>();
  return (date, timeZone) => {
    let one = made.get(timeZone);
    if (one === undefined) {
      one = new Intl.DateTimeFormat(undefined, timeZone === undefined ? options : { ...options, timeZone });
      made.set(timeZone, one);
    }
    return one.format(new Date(date));
  };
}

const day = format({ day: 'numeric', month: 'short' });
const wholeDay = format({ weekday: 'long', day: 'numeric', month: 'long' });

/** "Tuesday 3 February", without the year. */
export const longDate = (date: LocalDate): string => wholeDay(date, 'UTC');

/** "3 Feb". */
export const shortDate = (date: LocalDate): string => day(date, 'UTC');

/** "3 Feb": the day of a moment where the school is. */
export const dayOfMoment = (moment: string, timeZone: string): string => day(moment, timeZone);

/** "3 Mar, 10:20": a moment in a time zone; without one, in that of the device. */
export const moment = format({ day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** "Tue". */
const shortWeekday = format({ weekday: 'short' });
export const weekday = (date: LocalDate): string => shortWeekday(date, 'UTC');

const time = format({ hour: 'numeric', minute: '2-digit' });

/** "9:05": a time of day, HH:MM. */
export const timeOfDay = (at: string): string => time(`2026-01-01T${at}:00Z`, 'UTC');
