import { describe, expect, it } from 'vitest';
import { readHolidays } from './index.ts';

describe('calendars that never end', () => {
  const file = (...lines: readonly string[]): string =>
    `BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART;VALUE=DATE:20260302\r\nSUMMARY:Day\r\n${lines.join('\r\n')}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;
  const leftOut = (text: string): readonly string[] => {
    const read = readHolidays(text, '2026-03-01', '2026-07-31');
    return read.ok ? read.value.leftOut : [read.error];
  };

  it.each([
    ['RRULE:FREQ=WEEKLY;INTERVAL=2147483648', '“Day” repeats in a way that no day off does.'],
    ['RRULE:FREQ=SECONDLY', '“Day” repeats in a way that no day off does.'],
    ['DURATION:P9999W', '“Day” lasts longer than a year.'],
    ['RRULE:FREQ=DAILY;BYMONTH=13', 'This file cannot be read as a calendar: it is broken, or no iCalendar file.'],
    [`${'RRULE:FREQ=WEEKLY\r\n'.repeat(9000)}LOCATION:x`, '“Day” repeats in a way that no day off does.'],
  ])('%s', (line, sentence) => {
    expect(leftOut(file(line))).toEqual([sentence]);
  });

  it('begin in the year 1', () => {
    const text = file('RRULE:FREQ=DAILY').replace('20260302', '00010101');
    expect(leftOut(text)).toEqual(['“Day” lies outside the term.']);
  });

  it('or began long ago, and are followed up to the term', () => {
    const text = file('RRULE:FREQ=WEEKLY').replace('20260302', '19900101');
    const read = readHolidays(text, '2026-03-01', '2026-03-10');
    expect(read.ok && read.value.daysOff.map((off) => off.from)).toEqual(['2026-03-02', '2026-03-09']);
  });
});
