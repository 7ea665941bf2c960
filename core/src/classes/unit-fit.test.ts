import { describe, expect, it } from 'vitest';
import { shareOutLessons, stepDates, type LocalDate } from '../calendar/index.ts';
import { levelAfter, stepNeed, waysToFit } from './index.ts';

const dates = (...days: string[]): readonly LocalDate[] => days as LocalDate[];

describe('the lessons of a unit', () => {
  const term = dates('2026-01-06', '2026-01-13', '2026-01-20', '2026-02-10', '2026-02-17', '2026-02-24', '2026-03-03');

  it('are shared out to its steps, with a review after the holidays and the last one for others', () => {
    expect(shareOutLessons(term, [2, 3]).map(({ step, part }) => `${step ?? '-'} ${part}`)).toEqual([
      '0 first',
      '0 hearing',
      '1 first',
      '1 review',
      '1 middle',
      '1 hearing',
      '- concert',
    ]);
  });

  it('give each step its dates, and say what does not fit', () => {
    const steps = [2, 3, 4];
    expect(stepDates(shareOutLessons(term, steps), steps)).toEqual([
      { from: '2026-01-06', to: '2026-01-13', missing: 0 },
      { from: '2026-01-20', to: '2026-02-24', missing: 0 },
      { from: '2026-03-03', to: '2026-03-03', missing: 3 },
    ]);
    expect(stepDates([], [2])).toEqual([{ from: null, to: null, missing: 2 }]);
  });

  it('all shift by one that is lost', () => {
    const lost = term.filter((date) => date !== '2026-01-13');
    const [, second] = stepDates(shareOutLessons(lost, [2, 3]), [2, 3]);
    expect(second).toEqual({ from: '2026-02-10', to: '2026-03-03', missing: 0 });
  });
});

describe('what a step takes', () => {
  const unit = { pupils: 24, goOnShare: 70, heard: { alone: 6, rows: 15, longer: 9 } };

  it('is teaching by its rise, or hearing by how many can be heard', () => {
    // 24 × 70 % × 1.5 = 25.2 hearings: five lessons of six, two of fifteen.
    expect(stepNeed(5, unit, 6)).toEqual({ teach: 2, hear: 5, needed: 5 });
    expect(stepNeed(5, unit, 15)).toEqual({ teach: 2, hear: 2, needed: 3 });
    expect(stepNeed(5, unit, 0)).toEqual({ teach: 2, hear: 0, needed: 3 });
  });

  it('can be made less, the most first', () => {
    const steps = [5, 5, 1, 5].map((rise, index) => ({ rise, lessons: 3, isQuiet: index === 2 }));
    const ways = waysToFit(steps, unit);
    expect(ways).toContainEqual({ kind: 'rows', step: null, gain: 9, gains: [2, 2, 3, 2] });
    expect(ways.map((way) => way.gain)).toEqual(ways.map((way) => way.gain).toSorted((a, b) => b - a));
    expect(ways).toContainEqual({ kind: 'drop', step: 2, gain: 5, gains: [0, 0, 5, 0] });
    expect(ways.find((way) => way.kind === 'merge')).toMatchObject({ step: 0, gain: 5 });
    expect(ways).toContainEqual({ kind: 'concert', step: 3, gain: 5, gains: [0, 0, 0, 5] });
    expect(waysToFit(steps.slice(0, 1), unit).map(({ kind }) => kind)).not.toContain('concert');
    expect(waysToFit([], unit)).toEqual([]);
  });

  it('brings a group that is behind level at the end of a step', () => {
    const steps = [5, 5, 1, 5].map((rise) => ({ rise, lessons: 3, isQuiet: false }));
    const rows = waysToFit(steps, unit).find((way) => way.kind === 'rows')!;
    expect(levelAfter(rows, 3, 0)).toBe(1);
    expect(levelAfter(rows, 3, 2)).toBe(2);
    expect(levelAfter(rows, 99, 0)).toBeNull();
  });
});
