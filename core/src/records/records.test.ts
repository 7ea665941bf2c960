import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  fitInto,
  goOnFrom,
  hearingOrder,
  standings,
  type HeardEvent,
  type Outcome,
  type RecordEvent,
} from './index.ts';

const STEPS = ['one', 'two', 'three'];
let made = 0;

function heard(pupilId: string, stepId: string, outcome: Outcome, day: number, remarks: string[] = []): HeardEvent {
  made += 1;
  const heardAt = `2026-03-${String(day).padStart(2, '0')}T09:00:00.000Z`;
  return { kind: 'heard', id: `id-${String(made).padStart(4, '0')}`, pupilId, stepId, outcome, remarks, heardAt };
}

const undo = (event: HeardEvent): RecordEvent => ({ kind: 'undone', id: `undo-${event.id}`, undoes: event.id });
const start = (pupilId: string, startStepIndex = 0) => ({ pupilId, startStepIndex });
const one = (events: RecordEvent[], from = 0) => standings([start('ann', from)], STEPS, events)[0]!;

describe('standings', () => {
  it('stands on the first step that is not passed', () => {
    expect(one([])).toMatchObject({ stepIndex: 0, state: 'working', lastHeardAt: null });
    expect(one([heard('ann', 'one', 'passed', 3)])).toMatchObject({ stepIndex: 1, passedSteps: 1 });
    expect(one([heard('ann', 'two', 'passed', 3)])).toMatchObject({ stepIndex: 0, passedSteps: 1 });
    expect(one(STEPS.map((step, day) => heard('ann', step, 'passed', day + 1)))).toMatchObject({
      stepIndex: 3,
      state: 'finished',
    });
  });

  it('lets a late joiner begin higher', () => {
    expect(one([], 1).stepIndex).toBe(1);
    expect(one([heard('ann', 'two', 'passed', 3)], 1).stepIndex).toBe(2);
  });

  it('says nearly, and stuck after three tries', () => {
    expect(one([heard('ann', 'one', 'nearly', 3, ['leak'])])).toMatchObject({ state: 'nearly', triesOnStep: 1 });
    const three = [3, 5, 7].map((day) => heard('ann', 'one', 'not-yet', day));
    expect(one(three)).toMatchObject({ state: 'stuck', triesOnStep: 3 });
    expect(one(three.slice(0, 2))).toMatchObject({ state: 'working' });
  });

  it('takes an undone record away, and only that', () => {
    const pass = heard('ann', 'one', 'passed', 3);
    const other = heard('ann', 'two', 'nearly', 4);
    expect(one([pass, other, undo(pass)])).toMatchObject({ stepIndex: 0, passedSteps: 0 });
    expect(one([undo(pass), other, pass]).steps).toHaveLength(1);
  });

  it('gives the same for the same events in any order and any of them twice', () => {
    const base = [
      ...['ann', 'ben'].flatMap((pupil) =>
        STEPS.map((step, day) => heard(pupil, step, day === 1 ? 'nearly' : 'passed', day + 2)),
      ),
      heard('ann', 'two', 'passed', 9),
    ];
    const events: RecordEvent[] = [...base, undo(base[0]!)];
    const pupils = [start('ann'), start('ben')];
    const expected = standings(pupils, STEPS, events);
    fc.assert(
      fc.property(fc.shuffledSubarray([...events, ...events], { minLength: events.length * 2 }), (shuffled) => {
        expect(standings(pupils, STEPS, shuffled)).toEqual(expected);
      }),
    );
  });
});

describe('hearingOrder', () => {
  it('hears who nearly passed first, then who has waited longest', () => {
    const pupils = ['ann', 'ben', 'cem', 'dee', 'eva'].map((id) => start(id));
    const events = [
      heard('ann', 'one', 'passed', 9),
      heard('ben', 'one', 'not-yet', 3),
      heard('cem', 'one', 'nearly', 9),
      ...STEPS.map((step) => heard('eva', step, 'passed', 4)),
    ];
    const order = hearingOrder(standings(pupils, STEPS, events)).map((standing) => standing.pupilId);
    expect(order).toEqual(['cem', 'dee', 'ben', 'ann']);
  });
});

describe('goOnFrom', () => {
  it('goes on when the rule’s share have passed', () => {
    const pupils = ['ann', 'ben', 'cem', 'dee'].map((id) => start(id));
    const three = standings(
      pupils,
      STEPS,
      ['ann', 'ben', 'cem'].map((id) => heard(id, 'one', 'passed', 3)),
    );
    expect(goOnFrom(three, 0, 75)).toEqual({ passed: 3, of: 4, share: 75, ruleShare: 75, goOn: true });
    expect(goOnFrom(three, 0, 76).goOn).toBe(false);
    expect(goOnFrom(three, 1, 1).goOn).toBe(false);
    expect(goOnFrom([], 0, 70).goOn).toBe(false);
  });
});

describe('what fits into the minutes left', () => {
  it('is counted turn by turn, in the order of the queue', () => {
    expect(fitInto([60, 60, 60], 2)).toBe(2);
    expect(fitInto([130, 10], 2)).toBe(0);
    expect(fitInto([47, 59, 47], 10)).toBe(3);
    expect(fitInto([], 10)).toBe(0);
  });
});
