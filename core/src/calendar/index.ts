export { MOST_CALENDAR_CHARACTERS } from './file-limit.ts';
export * from './capacity.ts';
export * from './cleaning.ts';
export { proposedTerm, termDays, type TermDay } from './days.ts';
export { readHolidays, writeLessons, type CalendarHead, type ReadHolidays } from './icalendar.ts';
export * from './lessons.ts';
export { dayIn, localDate } from './local-day.ts';
export * from './term.ts';
export * from './unit.ts';
