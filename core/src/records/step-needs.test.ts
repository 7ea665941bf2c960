import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stepNeeds, type Climb } from './step-needs.ts';

const climb = (pupilId: string, stepIndex: number, lessonsHad = 10, startStepIndex = 0): Climb => ({
  pupilId,
  stepIndex,
  startStepIndex,
  lessonsHad,
});

describe('belts to have ready', () => {
  it('are those of pupils who will pass, for each step', () => {
    // Aino ends at 5.1, Bo at 2.1; Wren came in at step 3 and gets no belts below.
    const needs = stepNeeds([climb('Aino', 3), climb('Bo', 1), climb('Wren', 2, 0, 2)], 6, 8);
    expect(needs.map((need) => need.passed)).toEqual([2, 1, 1, 0, 0, 0]);
    expect(needs.map((need) => need.likely)).toEqual([0, 1, 1, 2, 1, 0]);
    expect(needs[5]!.atMost).toBe(1);
  });

  it('never count more than there are pupils, and at most is never less than likely', () => {
    const climbs = fc.array(
      fc.record({
        pupilId: fc.uuid(),
        stepIndex: fc.integer({ min: 0, max: 6 }),
        startStepIndex: fc.integer({ min: 0, max: 5 }),
        lessonsHad: fc.integer({ min: 0, max: 30 }),
      }),
    );
    fc.assert(
      fc.property(climbs, fc.integer({ min: 0, max: 40 }), (all, left) => {
        for (const need of stepNeeds(all, 6, left)) {
          expect(need.atMost).toBeGreaterThanOrEqual(need.likely);
          expect(need.passed + need.atMost).toBeLessThanOrEqual(all.length);
        }
      }),
    );
  });
});
