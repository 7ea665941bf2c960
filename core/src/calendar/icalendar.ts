import { TZDate } from '@date-fns/tz';
import { addMinutes } from 'date-fns';
import ICAL from 'ical.js';
import { failure, success, type Result } from '../music/index.ts';
import { MOST_CALENDAR_CHARACTERS } from './file-limit.ts';
import type { DaysOff, Lesson, LocalDate } from './term.ts';
import { t } from './messages.ts';

export interface ReadHolidays {
  readonly daysOff: readonly DaysOff[];
  /** What of the file is no day off, in sentences. */
  readonly leftOut: readonly string[];
}

const MOST_DAYS = 400;
const MOST_EVENTS = 3000;
/** Over all events of a file: what repeats from long ago is walked through up to the term. */
const MOST_OCCURRENCES = 30_000;
const MOST_INTERVAL = 1000;
/** Of one event: more than one is rare. */
const MOST_RULES = 4;
const [FIRST_YEAR, LAST_YEAR] = [1900, 2200];

/**
 * Days off from an iCalendar file (RFC 5545): whole days; what repeats is taken within the dates.
 * @param from,to the term: what lies outside is not taken.
 */
export function readHolidays(text: string, from: LocalDate, to: LocalDate): Result<ReadHolidays, string> {
  if (text.length > MOST_CALENDAR_CHARACTERS) return failure(t('icalendar.this-file-is-larger-than-2-2'));
  const count = text.match(/^BEGIN:VEVENT/gim)?.length ?? 0;
  if (count > MOST_EVENTS)
    return failure(t('icalendar.the-file-has-count-events-at', { count, mostEvents: MOST_EVENTS }));
  let events: readonly ICAL.Component[];
  try {
    events = new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]]).getAllSubcomponents('vevent');
  } catch {
    return failure(t('icalendar.this-file-cannot-be-read-as'));
  }
  const daysOff: DaysOff[] = [];
  const leftOut: string[] = [];
  const budget = { left: MOST_OCCURRENCES };
  for (const component of events) {
    const found = readEvent(component, { from, to, budget });
    if (typeof found === 'string') leftOut.push(found);
    else daysOff.push(...found);
  }
  const inOrder = daysOff.toSorted((a, b) => a.from.localeCompare(b.from) || a.to.localeCompare(b.to));
  return success({ daysOff: inOrder, leftOut });
}

interface Within {
  readonly from: LocalDate;
  readonly to: LocalDate;
  readonly budget: { left: number };
}

function readEvent(component: ICAL.Component, within: Within): readonly DaysOff[] | string {
  let title = t('icalendar.no-title');
  try {
    const event = new ICAL.Event(component);
    title = titleOf(event.summary);
    return daysOffOf(event, title, within);
  } catch {
    // ical.js reads values only when they are asked for, and throws then.
    return t('icalendar.title-cannot-be-read', { title });
  }
}

const MOST_LETTERS = 100;

function titleOf(summary: unknown): string {
  const title = typeof summary === 'string' ? summary.trim() : '';
  return title === ''
    ? t('icalendar.no-title')
    : title.length > MOST_LETTERS
      ? `${title.slice(0, MOST_LETTERS - 1)}…`
      : title;
}

function daysOffOf(event: ICAL.Event, title: string, within: Within): readonly DaysOff[] | string {
  if (!event.startDate?.isDate) return t('icalendar.title-has-times-of-day-it', { title });
  const { year } = event.startDate;
  if (!(year >= FIRST_YEAR && year <= LAST_YEAR)) return t('icalendar.title-lies-outside-the-term', { title });
  const repeats = repeatsOf(event);
  if (repeats !== null) return `“${title}” ${repeats}`;
  const days = daysLong(event);
  if (days > MOST_DAYS) return t('icalendar.title-lasts-longer-than-a-year', { title });
  const spans = startsOf(event, within).map((start) => span(start, days, title));
  const found = spans.filter((off) => off.to >= within.from && off.from <= within.to);
  if (within.budget.left <= 0) return t('icalendar.title-repeats-too-often-to-be', { title });
  return found.length === 0 ? t('icalendar.title-lies-outside-the-term', { title }) : found;
}

/** Why a rule cannot be followed; null when it can. */
function repeatsOf(event: ICAL.Event): string | null {
  const rules = event.component
    .getAllProperties('rrule')
    .map((property) => property.getFirstValue() as unknown as ICAL.Recur);
  const isUsual = ({ freq, interval }: ICAL.Recur): boolean =>
    ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'].includes(freq) && interval >= 1 && interval <= MOST_INTERVAL;
  return rules.length <= MOST_RULES && rules.every(isUsual) ? null : t('icalendar.repeats-in-a-way-that-no');
}

function startsOf(event: ICAL.Event, { to, budget }: Within): readonly ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate];
  const starts: ICAL.Time[] = [];
  const repeats = event.iterator();
  for (let next = repeats.next(); next && budget.left > 0; next = repeats.next()) {
    budget.left -= 1;
    if (dateOf(next) > to || next.year > LAST_YEAR) break;
    starts.push(next);
  }
  return starts;
}

/** The end of an all-day event is the day after its last (RFC 5545, 3.6.1). */
function daysLong(event: ICAL.Event): number {
  return Math.max(1, Math.round(event.duration.toSeconds() / 86_400));
}

function span(start: ICAL.Time, days: number, reason: string): DaysOff {
  const last = start.clone();
  last.adjust(days - 1, 0, 0, 0);
  return { from: dateOf(start), to: dateOf(last), reason };
}

function dateOf(time: ICAL.Time): LocalDate {
  const two = (part: number): string => String(part).padStart(2, '0');
  return `${time.year}-${two(time.month)}-${two(time.day)}` as LocalDate;
}

export interface CalendarHead {
  readonly className: string;
  /** IANA name: local times become moments by it, over changes of the clock too. */
  readonly timeZone: string;
  /** Unlike that of any other class, so that a calendar program knows a lesson again. */
  readonly uid: string;
  readonly writtenAt: Date;
  /** What each lesson holds, in their order; left out where nothing is planned. */
  readonly titles?: readonly string[];
}

/** The lessons of a class as iCalendar, with moments in UTC. */
export function writeLessons(lessons: readonly Lesson[], head: CalendarHead): string {
  const calendar = new ICAL.Component(['vcalendar', [], []]);
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Escalier//Lessons//EN');
  calendar.updatePropertyWithValue('x-wr-calname', t('icalendar.lessons-of-class-name', { className: head.className }));
  for (const lesson of lessons) calendar.addSubcomponent(lessonEvent(lesson, lessons.length, head));
  return `${calendar.toString()}\r\n`;
}

function lessonEvent(lesson: Lesson, of: number, head: CalendarHead): ICAL.Component {
  const start = momentOf(lesson.date, lesson.at, head.timeZone);
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', `${head.uid}-${lesson.date}-${lesson.at.replace(':', '')}@escalier`);
  event.addPropertyWithValue('dtstamp', utc(head.writtenAt));
  event.addPropertyWithValue('dtstart', utc(start));
  event.addPropertyWithValue('dtend', utc(addMinutes(start, lesson.minutes)));
  const where = lesson.mode === 'home' ? t('icalendar.work-for-home') : '';
  const title = head.titles?.[lesson.number - 1];
  const holds = title === undefined ? '' : `, ${title}`;
  event.addPropertyWithValue(
    'summary',
    t('icalendar.class-name-lesson-number-of-of', {
      className: head.className,
      number: lesson.number,
      of,
      holds,
      where,
    }),
  );
  return event;
}

/** The moment of a local date and time in a time zone. */
export function momentOf(date: LocalDate, at: string, timeZone: string): Date {
  const [year, month, day] = date.split('-').map(Number) as [number, number, number];
  const [hour, minute] = at.split(':').map(Number) as [number, number];
  return new Date(new TZDate(year, month - 1, day, hour, minute, timeZone).getTime());
}

function utc(moment: Date): ICAL.Time {
  return ICAL.Time.fromJSDate(moment, true);
}
