import type { MeetingDay } from '@escalier/core/calendar';
import { t } from './messages.ts';

export const WEEKDAYS = [
  t('words.monday'),
  t('words.tuesday'),
  t('words.wednesday'),
  t('words.thursday'),
  t('words.friday'),
  t('words.saturday'),
  t('words.sunday'),
] as const;

export const WEEKDAY_OPTIONS = WEEKDAYS.map((text, index) => ({ value: index + 1, text }));

/** The patterns to choose from, as one value for a select. */
export const PATTERNS = [
  { value: 'weekly', text: t('words.every-week') },
  { value: 'A', text: t('words.a-weeks') },
  { value: 'B', text: t('words.b-weeks') },
  { value: 'cycle', text: t('words.a-day-of-the-cycle') },
] as const;
export type Pattern = (typeof PATTERNS)[number]['value'];

export function patternOf(day: MeetingDay): Pattern {
  return day.kind === 'alternating' ? day.week : day.kind;
}

/** The same meeting in another pattern; the weekday stays where there is one. */
export function withPattern(on: MeetingDay, pattern: Pattern): MeetingDay {
  const weekday = on.kind === 'cycle' ? 1 : on.weekday;
  if (pattern === 'cycle') return { kind: 'cycle', day: on.kind === 'cycle' ? on.day : 1 };
  return pattern === 'weekly' ? { kind: 'weekly', weekday } : { kind: 'alternating', week: pattern, weekday };
}
