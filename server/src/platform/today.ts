import { dayIn, type LocalDate } from '@escalier/core/calendar';

/** The school's own date at a moment. @param timeZone IANA name. */
export function localToday(now: Date, timeZone: string): LocalDate {
  return dayIn(timeZone)(now.toISOString());
}
