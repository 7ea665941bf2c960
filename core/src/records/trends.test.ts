import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LocalDate } from '../units/index.ts';
import { classTrends, fanOf, type RecordEvent } from './index.ts';
import { heard, start, STEPS } from './testing.ts';

const LESSONS = [2, 4, 9, 11, 16, 18, 23, 25].map((day) => `2026-03-${String(day).padStart(2, '0')}` as LocalDate);
const pupils = ['ann', 'ben', 'cem'].map((id) => ({ ...start(id), joinedOn: '2026-03-01' as const }));
const trends = (events: RecordEvent[]) =>
  classTrends({
    pupils,
    steps: STEPS,
    events,
    lessonsHad: LESSONS,
    dayOf: (moment) => moment.slice(0, 10) as LocalDate,
  });

const events = [
  ...pupils.flatMap(({ pupilId }) => [
    heard(pupilId, 'one', 'nearly', 2, { remarks: ['leak'] }),
    heard(pupilId, 'one', 'passed', 4),
    heard(pupilId, 'two', 'not-yet', 9, { remarks: ['note', 'leak'] }),
    heard(pupilId, 'two', 'passed', 25),
  ]),
  heard('stranger', 'one', 'passed', 3),
];

describe('trends of a class', () => {
  const all = trends(events);

  it('count by weeks, and a week without hearing stands there', () => {
    expect(all.weeks).toEqual([
      { week: '2026-03-02', heard: 6, passed: 3 },
      { week: '2026-03-09', heard: 3, passed: 0 },
      { week: '2026-03-16', heard: 0, passed: 0 },
      { week: '2026-03-23', heard: 3, passed: 3 },
    ]);
  });

  it('say for each step how long it takes, how many tries, and what is remarked', () => {
    expect(all.steps[0]).toMatchObject({
      passed: 3,
      lessons: 2,
      triesPerPass: 2,
      remarks: [{ remark: 'leak', count: 3 }],
    });
    expect(all.steps[1]).toMatchObject({ passed: 3, lessons: 6 });
    expect(all.steps[2]).toMatchObject({ passed: 0, lessons: null, triesPerPass: null });
  });

  it('name the step where the class is held up', () => {
    expect(all.bottleneck).toEqual({ stepIndex: 1, lessons: 6, usual: 2 });
    expect(trends([]).bottleneck).toBeNull();
  });

  it('follow the climb lesson by lesson', () => {
    expect(all.came).toEqual([0, 0, 1, 1, 1, 1, 1, 1, 2]);
  });

  it('do not count an undone pass, nor one below a start', () => {
    const pass = heard('ann', 'one', 'passed', 2);
    const late = [{ ...start('ann', 1), joinedOn: '2026-03-01' as const }];
    const request = {
      steps: STEPS,
      lessonsHad: LESSONS,
      dayOf: (moment: string) => moment.slice(0, 10) as LocalDate,
    };
    expect(classTrends({ ...request, pupils: late, events: [pass] }).came.at(-1)).toBe(0);
  });
});

describe('the fan', () => {
  it('holds its lines in order, rises, and stays below the top', () => {
    let state = 1;
    const random = (): number => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
    const climbs = fc.array(fc.float({ min: 0, max: Math.fround(0.6), noNaN: true }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(climbs, fc.integer({ min: 0, max: 10 }), (each, ahead) => {
        const came = each.reduce<number[]>((list, climb) => [...list, list.at(-1)! + climb], [0]);
        const fan = fanOf(came, each.length, ahead, 6, random);
        expect(fan.middle).toHaveLength(ahead + 1);
        for (let lesson = 0; lesson <= ahead; lesson++) {
          expect(fan.low[lesson]).toBeLessThanOrEqual(fan.middle[lesson]!);
          expect(fan.middle[lesson]).toBeLessThanOrEqual(fan.high[lesson]!);
          if (lesson > 0) expect(fan.middle[lesson]).toBeGreaterThanOrEqual(fan.middle[lesson - 1]!);
        }
      }),
      { numRuns: 30 },
    );
  });

  it('is sure where every lesson has brought the same', () => {
    const fan = fanOf([0, 0.25, 0.5, 0.75], 3, 4, 6, () => 0.5);
    expect(fan).toMatchObject({ from: 3, low: fan.middle, high: fan.middle });
    expect(fan.middle).toEqual([0.75, 1, 1.25, 1.5, 1.75]);
  });
});
