import type { LocalDate } from '@escalier/core/calendar';
import { locale } from '@escalier/messages';

/** Dates and times as the school's English writes them. */

/** Making a format takes a hundred times as long as using it, so each is made once, on first use. */
function format(options: Intl.DateTimeFormatOptions): (date: string, timeZone?: string) => string {
  const made = new Map<string, Intl.DateTimeFormat>();
  return (date, timeZone) => {
    const key = `${locale()} ${timeZone ?? ''}`;
    let one = made.get(key);
    if (one === undefined) {
      one = new Intl.DateTimeFormat(locale(), timeZone === undefined ? options : { ...options, timeZone });
      made.set(key, one);
    }
    // 9:58 am on both sides of the ocean, with a space that ends no line.
    return one.format(new Date(date)).replace(/\s?([AP])M$/i, (_, half: string) => `\u00a0${half.toLowerCase()}m`);
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

/** "3 Mar, 10:20 am": a moment in a time zone; without one, in that of the device. */
export const moment = format({ day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit', hourCycle: 'h12' });

/** "Tue". */
const shortWeekday = format({ weekday: 'short' });
export const weekday = (date: LocalDate): string => shortWeekday(date, 'UTC');

const time = format({ hour: 'numeric', minute: '2-digit', hourCycle: 'h12' });

/** "9:05 am". @param at HH:MM */
export const timeOfDay = (at: string): string => time(`2026-01-01T${at}:00Z`, 'UTC');
