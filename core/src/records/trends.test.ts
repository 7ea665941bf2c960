import { describe, expect, it } from 'vitest';
import type { LocalDate } from '../units/index.ts';
import { classTrends, type RecordEvent } from './index.ts';
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
