import { describe, expect, it } from 'vitest';
import { lessonsNow, lessonsOf, type Term } from './index.ts';

const term: Term = {
  startsOn: '2026-03-02',
  endsOn: '2026-04-03',
  daysOff: [
    { from: '2026-03-16', to: '2026-03-20', reason: 'break' },
    { from: '2026-03-27', to: '2026-03-27', reason: 'sports day' },
  ],
};
const twice = [
  { weekday: 5, at: '11:00', minutes: 40 },
  { weekday: 2, at: '09:40', minutes: 40 },
];

describe('lessonsOf', () => {
  it('counts the lessons that are really left after days off', () => {
    const lessons = lessonsOf(term, twice);
    expect(lessons.map((lesson) => lesson.date)).toEqual([
      '2026-03-03',
      '2026-03-06',
      '2026-03-10',
      '2026-03-13',
      '2026-03-24',
      '2026-03-31',
      '2026-04-03',
    ]);
    expect(lessons.map((lesson) => lesson.number)).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });

  it('goes over the change of the clock without losing a day, and keeps two meetings of a day in order', () => {
    const sundays = lessonsOf({ ...term, daysOff: [] }, [
      { weekday: 7, at: '15:00', minutes: 30 },
      { weekday: 7, at: '09:00', minutes: 30 },
    ]);
    expect(sundays.filter((lesson) => lesson.date === '2026-03-29').map((lesson) => lesson.at)).toEqual([
      '09:00',
      '15:00',
    ]);
    expect(lessonsOf({ ...term, endsOn: '2026-03-01' }, twice)).toEqual([]);
  });
});

describe('lessonsNow', () => {
  const lessons = lessonsOf(term, twice);

  it('counts today’s lesson as left', () => {
    expect(lessonsNow(lessons, '2026-03-10')).toMatchObject({ had: 2, left: 5, next: { number: 3 } });
    expect(lessonsNow(lessons, '2026-03-11')).toMatchObject({ had: 3, left: 4 });
    expect(lessonsNow(lessons, '2026-05-01')).toEqual({ had: 7, left: 0, next: null });
  });
});
