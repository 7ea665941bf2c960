export * from './capacity.ts';
export { readHolidays, writeLessons, type CalendarHead, type ReadHolidays } from './icalendar.ts';
export * from './lessons.ts';
export * from './term.ts';
