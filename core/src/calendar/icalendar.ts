import { TZDate } from '@date-fns/tz';
import { addMinutes } from 'date-fns';
import ICAL from 'ical.js';
import { failure, success, type Result } from '../music/index.ts';
import type { DaysOff, Lesson, LocalDate } from './term.ts';

export interface ReadHolidays {
  readonly daysOff: readonly DaysOff[];
  /** What of the file is no day off, in sentences. */
  readonly leftOut: readonly string[];
}

const MOST_BYTES = 2 * 1024 * 1024;
const MOST_DAYS = 400;
const MOST_REPEATS = 60;

/**
 * Days off from an iCalendar file (RFC 5545): whole days; what repeats is taken within the dates.
 * @param from,to the term: what lies outside is not taken.
 */
export function readHolidays(text: string, from: LocalDate, to: LocalDate): Result<ReadHolidays, string> {
  if (text.length > MOST_BYTES) return failure('This file is larger than 2 MB: it is no calendar of holidays.');
  let events: readonly ICAL.Event[];
  try {
    const calendars = [new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]])];
    events = calendars.flatMap((each) => each.getAllSubcomponents('vevent')).map((each) => new ICAL.Event(each));
  } catch {
    return failure('This is no iCalendar file: it should begin with BEGIN:VCALENDAR.');
  }
  const daysOff: DaysOff[] = [];
  const leftOut: string[] = [];
  for (const event of events) {
    const found = readEvent(event, from, to);
    if (typeof found === 'string') leftOut.push(found);
    else daysOff.push(...found);
  }
  const inOrder = daysOff.toSorted((a, b) => a.from.localeCompare(b.from) || a.to.localeCompare(b.to));
  return success({ daysOff: inOrder, leftOut });
}

function readEvent(event: ICAL.Event, from: LocalDate, to: LocalDate): readonly DaysOff[] | string {
  const title = (event.summary ?? '').trim() || 'No title';
  if (!event.startDate?.isDate) return `“${title}” has times of day: it is no day off.`;
  const found: DaysOff[] = [];
  for (const start of startsOf(event, to)) {
    const off = span(start, event, title);
    if (off !== null && off.to >= from && off.from <= to) found.push(off);
  }
  return found.length === 0 ? `“${title}” lies outside the term.` : found;
}

function startsOf(event: ICAL.Event, to: LocalDate): readonly ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate];
  const starts: ICAL.Time[] = [];
  const repeats = event.iterator();
  for (let next = repeats.next(); next && starts.length < MOST_REPEATS * 10; next = repeats.next()) {
    if (dateOf(next) > to) break;
    starts.push(next);
  }
  return starts;
}

/** The end of an all-day event is the day after its last (RFC 5545, 3.6.1). */
function span(start: ICAL.Time, event: ICAL.Event, reason: string): DaysOff | null {
  const days = Math.max(1, Math.round(event.duration.toSeconds() / 86_400));
  if (days > MOST_DAYS) return null;
  const last = start.clone();
  last.adjust(days - 1, 0, 0, 0);
  return { from: dateOf(start), to: dateOf(last), reason };
}

function dateOf(time: ICAL.Time): LocalDate {
  const two = (part: number): string => String(part).padStart(2, '0');
  return `${time.year}-${two(time.month)}-${two(time.day)}`;
}

export interface CalendarHead {
  readonly className: string;
  /** IANA name: local times become moments by it, over changes of the clock too. */
  readonly timeZone: string;
  /** Unlike that of any other class, so that a calendar program knows a lesson again. */
  readonly uid: string;
  readonly writtenAt: Date;
}

/** The lessons of a class as iCalendar, with moments in UTC. */
export function writeLessons(lessons: readonly Lesson[], head: CalendarHead): string {
  const calendar = new ICAL.Component(['vcalendar', [], []]);
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Escalier//Lessons//EN');
  calendar.updatePropertyWithValue('x-wr-calname', `Lessons of ${head.className}`);
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
  const where = lesson.mode === 'home' ? ', work for home' : '';
  event.addPropertyWithValue('summary', `${head.className}: lesson ${lesson.number} of ${of}${where}`);
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
