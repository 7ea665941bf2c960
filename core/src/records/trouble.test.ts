import { describe, expect, it } from 'vitest';
import { standings, troubleSpots, type Extent, type HeardEvent, type Outcome } from './index.ts';

let made = 0;
function heard(pupilId: string, outcome: Outcome, more: Partial<HeardEvent> = {}): HeardEvent {
  made += 1;
  const id = String(made).padStart(6, '0');
  return {
    kind: 'heard',
    id,
    pupilId,
    stepId: 'goose',
    outcome,
    remarks: [],
    heardAt: `2026-10-01T09:00:${id.slice(-2)}.000Z`,
    ...more,
  };
}

const at = (bar: number, remark?: string) => ({ bar, barIndex: bar - 1, ...(remark === undefined ? {} : { remark }) });
const bars = (first: number, last: number, slowly = false): Extent => ({
  bars: [first, last],
  indices: [first - 1, last - 1],
  slowly,
});

describe('where a class stops', () => {
  it('counts each pupil once for a bar, most pupils first', () => {
    const spots = troubleSpots([
      heard('Aino', 'nearly', { faults: [at(3, 'stopped'), at(7, 'note')] }),
      heard('Aino', 'nearly', { faults: [at(3, 'stopped')] }),
      heard('Chidi', 'not-yet', { faults: [at(3, 'note')] }),
      heard('Emre', 'passed'),
    ]);
    expect(spots).toEqual([
      { bar: 3, barIndex: 2, pupils: 2, of: 2, remarks: ['stopped', 'note'] },
      { bar: 7, barIndex: 6, pupils: 1, of: 2, remarks: ['note'] },
    ]);
  });
});

describe('a step heard in parts', () => {
  const standing = (parts: 'whole' | 'at-tempo' | 'any-tempo', events: readonly HeardEvent[]) => {
    const rule = { id: 'goose', tunes: ['tune'], toPass: 1, bars: { tune: 8 }, parts };
    return standings([{ pupilId: 'Aino', startStepIndex: 0 }], [rule], events)[0]!.steps[0]!;
  };
  const first = heard('Aino', 'passed', { extent: bars(1, 4) });
  const slow = heard('Aino', 'passed', { extent: bars(5, 8, true) });
  const last = heard('Aino', 'passed', { extent: bars(5, 8) });

  it('is part filled until the parts cover the tune', () => {
    expect(standing('any-tempo', [first])).toMatchObject({ passed: false, share: 0.5 });
    expect(standing('any-tempo', [first, slow])).toMatchObject({ passed: true, share: 1 });
  });

  it('counts slow parts only where the class says so', () => {
    expect(standing('at-tempo', [first, slow])).toMatchObject({ passed: false, share: 0.5 });
    expect(standing('at-tempo', [first, slow, last]).passed).toBe(true);
  });

  it('is never passed by parts where the class plays it in one go', () => {
    expect(standing('whole', [first, last])).toMatchObject({ passed: false, share: 1 });
    expect(standing('whole', [first, heard('Aino', 'passed')]).passed).toBe(true);
  });

  it('does not count what was not passed', () => {
    expect(standing('any-tempo', [heard('Aino', 'nearly', { extent: bars(1, 8) })]).share).toBe(0);
  });
});
