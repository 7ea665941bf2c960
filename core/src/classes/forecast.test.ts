import { describe, expect, it } from 'vitest';
import type { LocalDate } from '../calendar/index.ts';
import { forecastClass, type RecordEvent } from '../records/index.ts';
import { forecastRequest, type ClassOnDay, type ForecastSettings } from './index.ts';

const day = (index: number): LocalDate => `2026-03-${String(index).padStart(2, '0')}` as LocalDate;
const step = (id: string) => ({
  id,
  tunes: [{ id: `${id}-tune`, role: 'main' as const, bars: 8 }],
  toPass: 1,
  tuneSeconds: 30,
});
const pupil = (id: string, more: object = {}) => ({
  id,
  startStep: 1,
  joinedOn: day(1),
  leftOn: null,
  away: false,
  ...more,
});

/** Eight lessons, of which four have been. */
const class4: ClassOnDay = {
  pupils: [pupil('ann'), pupil('ben'), pupil('cy', { startStep: 2 }), pupil('gone', { leftOn: day(3) })],
  steps: [step('one'), step('two'), step('three')],
  style: {
    goOnShare: 70,
    hearing: { minutes: 10, within: 6 },
    teaching: { parts: 'whole', goOn: 'share', ownStep: 0 },
  },
  lessons: { all: [1, 3, 5, 7, 9, 11, 13, 15].map((index) => ({ date: day(index) })) },
  today: day(7),
  timeZone: 'UTC',
};
let made = 0;
const heard = (pupilId: string, stepId: string, outcome: 'passed' | 'not-yet', at: number): RecordEvent => ({
  kind: 'heard',
  id: `id-${(made += 1)}`,
  pupilId,
  stepId,
  outcome,
  remarks: [],
  heardAt: `${day(at)}T09:00:00.000Z`,
});
const events = [
  heard('ann', 'one', 'passed', 1),
  heard('ann', 'two', 'passed', 5),
  heard('ben', 'one', 'not-yet', 3),
  heard('ben', 'one', 'not-yet', 7),
];

const forecastOf = (settings: ForecastSettings) =>
  forecastClass(forecastRequest(class4, events, { runs: 400, ...settings })!);

describe('the forecast of a class', () => {
  it('counts those who are in it, over the lessons to come', () => {
    const forecast = forecastOf({ perLesson: 2 });
    expect(forecast.pupils.map((pupil) => pupil.id)).toEqual(['ann', 'ben', 'cy']);
    expect(forecast.mean.map((each) => each.lesson)).toEqual([5, 6, 7, 8]);
    const chance = (id: string, at: number): number =>
      forecast.pupils.find((pupil) => pupil.id === id)!.reach[at - 1]!.chance;
    expect(chance('ann', 2)).toBe(1);
    expect(chance('cy', 1)).toBe(1);
    expect(chance('ben', 1)).toBeLessThan(1);
  });

  it('looks back at what would have been said then', () => {
    const then = forecastOf({ perLesson: 2, known: 2 });
    expect(then.mean[0]!.lesson).toBe(3);
    expect(then.pupils[0]!.reach[1]!.chance).toBeLessThan(1);
  });

  it('goes further with more hearings, and says nothing of an empty class', () => {
    const end = (turns: number): number => forecastOf({ perLesson: 2, turns }).mean.at(-1)!.p50;
    expect(end(3)).toBeGreaterThan(end(1));
    expect(forecastRequest({ ...class4, pupils: [] }, [], { perLesson: 2 })).toBeNull();
  });
});
