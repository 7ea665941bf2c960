import { lessonsOf, type Meeting } from '@escalier/core/calendar';
import { addDays, format } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { termAround } from './term.ts';

const TUESDAYS: Meeting = { on: { kind: 'weekly', weekday: 2 }, at: '09:00', minutes: 40, mode: 'room' };

describe('the term of the demo', () => {
  it('looks like a real one on every day of two years', () => {
    for (let index = 0; index < 731; index += 1) {
      const date = addDays(new Date(2026, 0, 1), index);
      const today = format(date, 'yyyy-MM-dd');
      const term = termAround(date);
      const lessons = lessonsOf(term, [TUESDAYS]).map((lesson) => lesson.date);
      expect(
        lessons.filter((lesson) => /-12-2[5-9]|-12-3|-01-01/.test(lesson)),
        today,
      ).toEqual([]);
      expect(lessons.length, today).toBeGreaterThanOrEqual(10);
      expect(lessons.length, today).toBeLessThanOrEqual(13);
      expect(term.daysOff.filter((off) => /holiday/.test(off.reason)).length, today).toBe(1);
      expect(term.startsOn <= today && (today <= term.endsOn || date.getDay() % 6 === 0), today).toBe(true);
      const gone = lessons.filter((lesson) => lesson < today).length;
      expect(gone, today).toBeGreaterThanOrEqual(4);
      expect(gone, today).toBeLessThanOrEqual(5);
    }
  });
});
