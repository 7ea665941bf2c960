import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  classStep,
  decideGoOn,
  dueAfter,
  fitInto,
  hearingGroups,
  hearingQueue,
  lessonsWithout,
  standings,
  type HearingPace,
  type RecordEvent,
} from './index.ts';
import { heard, rules, start, STEPS } from './testing.ts';

const PACE: HearingPace = { perLesson: 5, within: 6 };

describe('whom to hear next', () => {
  const pupils = ['ann', 'ben', 'cem', 'dee', 'eva'].map((id) => start(id));
  const events = [
    heard('ann', 'one', 'passed', 9),
    heard('ben', 'one', 'not-yet', 3),
    heard('cem', 'one', 'nearly', 9),
    ...STEPS.map((step) => heard('eva', step.id, 'passed', 4)),
  ];
  const all = standings(pupils, STEPS, events);
  const waits = (lessons: Readonly<Record<string, number>>) =>
    hearingQueue(all, (place) => lessons[place.pupilId] ?? 0, PACE, 0);

  it('is who nearly passed, then who has waited longest; who has finished waits for nobody', () => {
    const queue = waits({ ben: 2, dee: 3 });
    expect(queue.map((place) => place.pupilId)).toEqual(['cem', 'dee', 'ben', 'ann']);
    expect(queue.map(({ reason, lessons }) => [reason, lessons])).toEqual([
      ['ready', 0],
      ['never', 3],
      ['waited', 2],
      ['waited', 0],
    ]);
  });

  it('is before all who has waited for so long that the round would not come to them in time', () => {
    expect(dueAfter(5, PACE)).toBe(6);
    expect(dueAfter(25, PACE)).toBe(2);
    const queue = waits({ ben: 6 });
    expect(queue[0]).toEqual({ pupilId: 'ben', reason: 'due', lessons: 6 });
  });

  it('is not who was heard today, as long as others wait', () => {
    const queue = hearingQueue(
      all,
      () => 0,
      PACE,
      0,
      (place) => place.pupilId === 'cem',
    );
    expect(queue.at(-1)).toEqual({ pupilId: 'cem', reason: 'today', lessons: 0 });
  });

  it('is, among equals, who is nearest to the class', () => {
    const three = standings(
      ['far', 'near', 'on'].map((id, index) => start(id, index)),
      rules('a', 'b', 'c', 'd'),
      [],
    );
    expect(hearingQueue(three, () => 1, PACE, 2).map((place) => place.pupilId)).toEqual(['on', 'near', 'far']);
  });

  it('leaves nobody unheard for longer than the class allows, whatever the outcomes', () => {
    const run = fc.record({
      pupils: fc.integer({ min: 1, max: 30 }),
      perLesson: fc.integer({ min: 1, max: 8 }),
      spare: fc.integer({ min: 0, max: 4 }),
      outcomes: fc.array(fc.constantFrom('passed', 'nearly', 'nearly', 'not-yet'), { minLength: 1, maxLength: 40 }),
    });
    fc.assert(
      fc.property(run, ({ pupils: count, perLesson, spare, outcomes }) => {
        const within = Math.ceil(count / perLesson) + spare;
        const ids = Array.from({ length: count }, (_, index) => `pupil-${String(index).padStart(2, '0')}`);
        const steps = rules(...Array.from({ length: 60 }, (_, index) => `step-${index}`));
        const lastHeard = new Map<string, number>();
        const records: RecordEvent[] = [];
        let turn = 0;
        for (let lesson = 1; lesson <= 3 * within; lesson++) {
          const standing = standings(
            ids.map((id) => start(id)),
            steps,
            records,
          );
          const waited = (id: string): number => lesson - 1 - (lastHeard.get(id) ?? 0);
          const queue = hearingQueue(standing, (place) => waited(place.pupilId), { perLesson, within }, 0);
          for (const { pupilId } of queue.slice(0, perLesson)) {
            const { stepIndex } = standing.find((place) => place.pupilId === pupilId)!;
            records.push(heard(pupilId, `step-${stepIndex}`, outcomes[turn++ % outcomes.length]!, 1));
            lastHeard.set(pupilId, lesson);
          }
          for (const id of ids) expect(lesson - (lastHeard.get(id) ?? 0)).toBeLessThanOrEqual(within);
        }
      }),
      { numRuns: 40 },
    );
  }, 60_000);
});

describe('lessons without a hearing', () => {
  const dates = ['2026-03-02', '2026-03-04', '2026-03-09', '2026-03-11'];

  it('are those after the last hearing, or since the pupil came, before today', () => {
    expect(lessonsWithout(dates, '2026-03-04', '2026-02-01', '2026-03-11')).toBe(1);
    expect(lessonsWithout(dates, null, '2026-03-04', '2026-03-11')).toBe(2);
    expect(lessonsWithout(dates, '2026-03-11', '2026-02-01', '2026-03-11')).toBe(0);
  });
});

describe('rows and small groups', () => {
  it('are of one step, in the order of the queue, and hear everybody once', () => {
    const step: Record<string, number> = { ann: 1, ben: 2, cem: 1, dee: 1, eva: 2 };
    const stepOf = (id: string): number => step[id]!;
    expect(hearingGroups(['ann', 'ben', 'cem', 'dee', 'eva'], stepOf, 2)).toEqual([
      ['ann', 'cem'],
      ['ben', 'eva'],
      ['dee'],
    ]);
    fc.assert(
      fc.property(fc.shuffledSubarray(Object.keys(step)), fc.integer({ min: 1, max: 4 }), (queue, size) => {
        const groups = hearingGroups(queue, stepOf, size);
        expect(groups.flat().toSorted()).toEqual(queue.toSorted());
        for (const group of groups) {
          expect(group.length).toBeLessThanOrEqual(size);
          expect(new Set(group.map(stepOf)).size).toBe(1);
        }
      }),
    );
  });
});

describe('what fits into the minutes left', () => {
  it('is counted turn by turn', () => {
    expect(fitInto([60, 60, 60], 2)).toBe(2);
    expect(fitInto([60, 61], 2)).toBe(1);
    expect(fitInto([30, 30], 5)).toBe(2);
    expect(fitInto([], 5)).toBe(0);
  });
});

describe('the step of the class', () => {
  const IDS = STEPS.map((step) => step.id);
  const SHARE = { kind: 'share', share: 70, ownStep: 0 } as const;

  it('is the first that not enough have passed', () => {
    const pupils = ['ann', 'ben'].map((id) => start(id));
    const events = ['ann', 'ben'].map((id) => heard(id, 'one', 'passed', 3));
    expect(classStep(standings(pupils, STEPS, events), IDS, SHARE)).toBe(1);
    const whole = pupils.flatMap(({ pupilId }) => STEPS.map((step) => heard(pupilId, step.id, 'passed', 4)));
    expect(classStep(standings(pupils, STEPS, whole), IDS, SHARE)).toBe(3);
  });

  it('is the first on which somebody was not heard, or the one that the teacher says', () => {
    const pupils = ['ann', 'ben'].map((id) => start(id));
    const heardOnce = [heard('ann', 'one', 'passed', 3), heard('ben', 'one', 'not-yet', 3)];
    const all = standings(pupils, STEPS, heardOnce);
    expect(classStep(all, IDS, SHARE)).toBe(0);
    expect(classStep(all, IDS, { ...SHARE, kind: 'heard' })).toBe(1);
    expect(classStep(all, IDS, { ...SHARE, kind: 'own', ownStep: 2 })).toBe(2);
    expect(classStep(all, IDS, { ...SHARE, kind: 'own', ownStep: 9 })).toBe(3);
    expect(classStep([], IDS, { ...SHARE, kind: 'heard' })).toBe(0);
  });
});

describe('whether the class goes on', () => {
  const pupils = Array.from({ length: 10 }, (_, index) => ({
    id: String(index),
    passed: index < 7,
    heard: index < 9,
  }));

  it('is decided by share, by hearing, or by the teacher', () => {
    expect(decideGoOn({ kind: 'share', share: 70 }, pupils)).toMatchObject({
      goOn: true,
      missing: 0,
      behind: ['7', '8', '9'],
    });
    expect(decideGoOn({ kind: 'share', share: 80 }, pupils)).toMatchObject({ goOn: false, missing: 1 });
    expect(decideGoOn({ kind: 'heard' }, pupils)).toMatchObject({ goOn: false, missing: 1, holding: ['9'] });
    expect(decideGoOn({ kind: 'own', yes: true }, pupils)).toMatchObject({ goOn: true, holding: [] });
    expect(decideGoOn({ kind: 'share', share: 70 }, [])).toMatchObject({ goOn: false, of: 0 });
  });
});
