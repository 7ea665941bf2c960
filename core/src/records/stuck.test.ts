import { describe, expect, it } from 'vitest';
import { commonCause, helpGroups, pointsOf, standings, stuckPupils, type Stuck } from './index.ts';
import { heard, start, STEPS } from './testing.ts';

const ids = STEPS.map((step) => step.id);
const tries = (pupilId: string, remark: string) =>
  [3, 5, 7].map((day) => heard(pupilId, 'one', 'not-yet', day, { remarks: [remark] }));

describe('who is stuck', () => {
  const all = standings(
    ['ann', 'ben', 'cem', 'dee'].map((id) => start(id)),
    STEPS,
    [...tries('ann', 'leak'), heard('ben', 'one', 'nearly', 3), ...ids.map((id) => heard('dee', id, 'passed', 3))],
  );
  const stuck = (waited: Record<string, number>, step: number) =>
    stuckPupils(all, ids, (standing) => waited[standing.pupilId] ?? 0, step);

  it('has tried three times, or has had no try for two lessons while the class moved on', () => {
    const found = stuck({ ben: 2, cem: 3, dee: 9 }, 1);
    expect(found.map((each) => each.pupilId)).toEqual(['ann', 'cem']);
    expect(found.map(({ why }) => why)).toEqual([
      { kind: 'tries', tries: 3 },
      { kind: 'left', lessons: 3 },
    ]);
    expect(found[0]!.remarks).toEqual(['leak']);
  });

  it('is not who waits beside a class that has not gone on', () => {
    expect(stuck({ ben: 2, cem: 3 }, 0).map((each) => each.pupilId)).toEqual(['ann']);
  });
});

describe('what they have in common', () => {
  const pupil = (pupilId: string, stepIndex: number, remarks: string[] = []): Stuck => ({
    pupilId,
    stepIndex,
    why: { kind: 'tries', tries: 3 },
    remarks,
  });
  const steps = [
    { newNotes: ['B4', 'A4'], hardMoves: [] },
    { newNotes: ['E4'], hardMoves: [{ from: 'A4', to: 'E4', cost: 3 }] },
    {
      newNotes: ['D4'],
      hardMoves: [
        { from: 'D4', to: 'B4', cost: 4 },
        { from: 'E4', to: 'A4', cost: 2.5 },
      ],
    },
  ];

  it('is a remark, a move in either direction, or a new note, of two at least', () => {
    const cause = commonCause([pupil('ann', 1, ['leak']), pupil('ben', 2, ['leak', 'beat']), pupil('cem', 0)], steps);
    expect(cause.remark).toEqual({ what: 'leak', pupilIds: ['ann', 'ben'] });
    expect(cause.move).toEqual({ what: { from: 'A4', to: 'E4', cost: 3 }, pupilIds: ['ann', 'ben'] });
    expect(cause.note).toBeNull();
    expect(commonCause([pupil('ann', 1), pupil('ben', 1)], steps).note?.what).toBe('E4');
    expect(commonCause([pupil('ann', 1, ['leak'])], steps)).toEqual({ remark: null, move: null, note: null });
  });

  it('makes small groups of one step, with the move to drill', () => {
    const names = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
    const groups = helpGroups([...names.map((name) => pupil(name, 1)), pupil('z', 0)], steps);
    expect(groups.map((group) => group.pupilIds.join(''))).toEqual(['abcd', 'efg', 'z']);
    expect(groups[0]!.drill).toEqual({ from: 'A4', to: 'E4', cost: 3 });
    expect(groups[2]!.drill).toBeNull();
  });
});

describe('points', () => {
  const standing = standings(
    [start('ann')],
    STEPS,
    ['one', 'two'].map((id) => heard('ann', id, 'passed', 3)),
  )[0]!;

  it('are a bonus for each step, or a share of the steps planned, with the sum', () => {
    expect(pointsOf(standing, 0, { kind: 'none' }).points).toBe(0);
    expect(pointsOf(standing, 0, { kind: 'bonus', perStep: 1.5, most: 10 })).toEqual({
      points: 3,
      sum: '2 × 1.5, at most 10 = 3',
    });
    expect(pointsOf(standing, 0, { kind: 'bonus', perStep: 8, most: 10 }).points).toBe(10);
    expect(pointsOf(standing, 0, { kind: 'share', outOf: 20, steps: 6 })).toEqual({
      points: 6.7,
      sum: '20 × 2 of 6 steps = 6.7',
    });
  });

  it('do not count the steps below a late joiner’s start against them', () => {
    expect(pointsOf(standing, 2, { kind: 'share', outOf: 20, steps: 6 }).points).toBe(10);
    expect(pointsOf(standing, 5, { kind: 'share', outOf: 20, steps: 6 }).points).toBe(20);
  });
});
