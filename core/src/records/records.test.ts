import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { goOnFrom, hearings, schoolTime, standings, takenBack, type HeardEvent, type RecordEvent } from './index.ts';
import { heard, rules, start, STEPS, undo } from './testing.ts';

const one = (events: RecordEvent[], from = 0) => standings([start('ann', from)], STEPS, events)[0]!;

describe('standings', () => {
  it('stands on the first step that is not passed', () => {
    expect(one([])).toMatchObject({ stepIndex: 0, state: 'working', lastHeardAt: null });
    expect(one([heard('ann', 'one', 'passed', 3)])).toMatchObject({ stepIndex: 1, passedSteps: 1 });
    expect(one([heard('ann', 'two', 'passed', 3)])).toMatchObject({ stepIndex: 0, passedSteps: 1 });
    expect(one(STEPS.map((step, day) => heard('ann', step.id, 'passed', day + 1)))).toMatchObject({
      stepIndex: 3,
      state: 'finished',
    });
  });

  it('lets a late joiner begin higher', () => {
    expect(one([], 1).stepIndex).toBe(1);
    expect(one([heard('ann', 'two', 'passed', 3)], 1).stepIndex).toBe(2);
  });

  it('says nearly, and stuck after three tries', () => {
    expect(one([heard('ann', 'one', 'nearly', 3, { remarks: ['leak'] })])).toMatchObject({
      state: 'nearly',
      triesOnStep: 1,
    });
    const three = [3, 5, 7].map((day) => heard('ann', 'one', 'not-yet', day));
    expect(one(three)).toMatchObject({ state: 'stuck', triesOnStep: 3 });
    expect(one(three.slice(0, 2))).toMatchObject({ state: 'working' });
  });

  it('keeps the day of the first pass, and counts a pass once', () => {
    const [step] = one([
      heard('ann', 'one', 'nearly', 3, { tempo: 72 }),
      heard('ann', 'one', 'passed', 5, { tempo: 90 }),
      heard('ann', 'one', 'passed', 7),
    ]).steps;
    expect(step).toMatchObject({ tries: 3, nearly: 1, passedAt: '2026-03-05T09:00:00.000Z', tempo: 90 });
  });
});

describe('a step of several tunes', () => {
  const two = [{ id: 'one', tunes: ['brook', 'mill', 'weir'], toPass: 2 }, ...rules('two')];
  const stands = (events: RecordEvent[]) => standings([start('ann')], two, events)[0]!;

  it('is passed when so many different ones are, the first tune being meant where none is named', () => {
    const brook = heard('ann', 'one', 'passed', 3);
    expect(stands([brook])).toMatchObject({ stepIndex: 0, steps: [{ passed: false, passedTunes: ['brook'] }] });
    expect(stands([brook, heard('ann', 'one', 'passed', 4, { tuneId: 'brook' })]).stepIndex).toBe(0);
    expect(stands([brook, heard('ann', 'one', 'passed', 5, { tuneId: 'weir' })])).toMatchObject({
      stepIndex: 1,
      steps: [{ passedAt: '2026-03-05T09:00:00.000Z' }],
    });
  });

  it('does not call stuck who has passed one of them', () => {
    expect(
      stands([
        heard('ann', 'one', 'passed', 3),
        ...[4, 5].map((day) => heard('ann', 'one', 'not-yet', day, { tuneId: 'mill' })),
      ]).state,
    ).toBe('working');
  });
});

describe('undo and correction', () => {
  const pass = heard('ann', 'one', 'passed', 3);
  const later = heard('ann', 'two', 'nearly', 4);
  const correct = (event: HeardEvent, outcome: HeardEvent['outcome']) =>
    heard('ann', event.stepId, outcome, 9, { corrects: event.id, reason: 'wrong line' });

  it('takes an undone record away, and only that', () => {
    expect(one([pass, later, undo(pass)])).toMatchObject({ stepIndex: 0, passedSteps: 0 });
    expect(one([undo(pass), later, pass]).steps).toHaveLength(1);
  });

  it('puts a correction in the place and at the time of what it corrects', () => {
    const nearly = correct(pass, 'nearly');
    const [first, second] = hearings([pass, later, nearly]);
    expect(first).toMatchObject({ id: nearly.id, outcome: 'nearly', heardAt: pass.heardAt, reason: 'wrong line' });
    expect(second).toBe(later);
    expect(one([pass, nearly])).toMatchObject({ stepIndex: 0, steps: [{ tries: 1 }] });
  });

  it('lists what was taken back with a reason, until it is restored', () => {
    const pass = heard('ann', 'one', 'passed', 3);
    const back = { ...undo(pass), reason: 'It was Ben' };
    expect(takenBack([pass, back])).toEqual([{ heard: pass, undone: back }]);
    expect(takenBack([pass, undo(pass)])).toEqual([]);
    const restored = { ...pass, id: `${pass.id}-again` };
    expect(takenBack([pass, back, restored])).toEqual([]);
    expect(one([pass, back, restored])).toMatchObject({ passedSteps: 1 });
  });

  it('brings back what was there when a correction is undone', () => {
    const nearly = correct(pass, 'nearly');
    const again = correct(nearly, 'not-yet');
    expect(hearings([pass, nearly, again]).map((event) => event.outcome)).toEqual(['not-yet']);
    expect(hearings([pass, nearly, again, undo(again)]).map((event) => event.outcome)).toEqual(['nearly']);
    expect(hearings([pass, nearly, undo(nearly)]).map((event) => event.outcome)).toEqual(['passed']);
  });

  it('takes the corrections of a hearing away with the hearing itself', () => {
    const nearly = correct(pass, 'nearly');
    const again = correct(nearly, 'not-yet');
    expect(hearings([pass, nearly, undo(pass)])).toEqual([]);
    expect(hearings([undo(pass), again, nearly, pass])).toEqual([]);
    expect(hearings([pass, nearly, again, undo(nearly)]).map((event) => event.outcome)).toEqual(['passed']);
  });

  it('lets the later of two adults’ corrections count', () => {
    const [mara, ivo] = [correct(pass, 'nearly'), correct(pass, 'not-yet')];
    const received = (event: HeardEvent, number: number) => ({ ...event, receipt: { number, deviceAhead: 0 } });
    expect(hearings([pass, mara, ivo]).map((event) => event.outcome)).toEqual(['not-yet']);
    expect(hearings([received(pass, 1), received(ivo, 2), received(mara, 3)]).map((event) => event.outcome)).toEqual([
      'nearly',
    ]);
  });
});

describe('the order of events', () => {
  it('is the school’s, whatever the clocks of devices say', () => {
    const first = heard('ann', 'one', 'not-yet', 20, { receipt: { number: 1, deviceAhead: 0 } });
    const second = heard('ann', 'one', 'nearly', 2, { receipt: { number: 2, deviceAhead: 0 } });
    expect(one([second, first]).state).toBe('nearly');
  });

  it('puts last what the school has not got yet', () => {
    const here = heard('ann', 'one', 'nearly', 2);
    const there = heard('ann', 'one', 'not-yet', 20, { receipt: { number: 7, deviceAhead: 0 } });
    expect(one([here, there]).state).toBe('nearly');
  });

  it('takes what a wrong clock was ahead off its times, but not the slack of a good one', () => {
    const event = (deviceAhead: number) => heard('ann', 'one', 'nearly', 2, { receipt: { number: 1, deviceAhead } });
    expect(schoolTime(event(3600))).toBe('2026-03-02T08:00:00.000Z');
    expect(schoolTime(event(-86_400))).toBe('2026-03-03T09:00:00.000Z');
    expect(schoolTime(event(40))).toBe('2026-03-02T09:00:00.000Z');
    expect(one([event(86_400)]).lastHeardAt).toBe('2026-03-01T09:00:00.000Z');
  });

  it('does not matter, nor does repetition: the standings are the same', () => {
    const pupils = ['ann', 'ben', 'cem'].map((id) => start(id));
    const some = fc.record({
      pupilId: fc.constantFrom('ann', 'ben', 'cem'),
      stepId: fc.constantFrom('one', 'two', 'three'),
      outcome: fc.constantFrom('passed', 'nearly', 'not-yet'),
      day: fc.integer({ min: 1, max: 28 }),
      received: fc.boolean(),
      then: fc.constantFrom('nothing', 'undo', 'correct', 'correct and undo', 'correct and undo all'),
    });
    const events = fc.array(some, { maxLength: 25 }).map((list) =>
      list.flatMap(({ pupilId, stepId, outcome, day, received, then }, index): RecordEvent[] => {
        const receipt = received ? { receipt: { number: 3 * index, deviceAhead: 0 } } : {};
        const event = heard(pupilId, stepId, outcome, day, receipt);
        const correction = heard(pupilId, stepId, 'nearly', day, { corrects: event.id });
        if (then === 'nothing') return [event];
        if (then === 'undo') return [event, undo(event)];
        if (then === 'correct') return [event, correction];
        return [event, correction, undo(then === 'correct and undo' ? correction : event)];
      }),
    );
    // A copy that the device still holds may lie beside the one that the school has numbered.
    const held = (event: RecordEvent): RecordEvent => {
      const { receipt: _receipt, ...rest } = event;
      return rest;
    };
    fc.assert(
      fc.property(
        events.chain((list) =>
          fc.tuple(fc.constant(list), fc.shuffledSubarray([...list, ...list.map(held)], { minLength: list.length })),
        ),
        ([list, shuffled]) => {
          const known = new Set(shuffled.map((event) => event.id));
          const all = [...shuffled, ...list.filter((event) => !known.has(event.id) || event.receipt !== undefined)];
          expect(standings(pupils, STEPS, all)).toEqual(standings(pupils, STEPS, list));
        },
      ),
    );
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
    expect(goOnFrom(three, 0, 80).goOn).toBe(false);
    expect(goOnFrom([], 0, 70)).toMatchObject({ share: 0, goOn: false });
  });
});
