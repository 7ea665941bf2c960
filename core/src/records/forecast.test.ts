import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chanceToPass, forecast, stepNeeds, type Climb } from './forecast.ts';

const climb = (pupilId: string, stepIndex: number, lessonsHad = 10, startStepIndex = 0): Climb => ({
  pupilId,
  stepIndex,
  startStepIndex,
  lessonsHad,
});

describe('where pupils will stand', () => {
  it('goes by the own pace, drawn towards that of the class', () => {
    // The class: 4 steps in 20 lessons = 0.2. Aino: (3 + 6 × 0.2) ÷ 16 = 0.2625.
    const [aino, bo] = forecast([climb('Aino', 3), climb('Bo', 1)], 6, 8);
    expect(aino!.pace).toBeCloseTo(0.2625);
    expect(aino!.atEnd).toBeCloseTo(3 + 0.2625 * 8);
    expect(bo!.pace).toBeCloseTo((1 + 1.2) / 16);
  });

  it('gives a late joiner the pace of the class, and nobody more than all steps', () => {
    const [, late] = forecast([climb('Aino', 3, 10), climb('Wren', 2, 0, 2)], 6, 10);
    expect(late!.pace).toBeCloseTo(0.3);
    expect(forecast([climb('Priya', 6, 10)], 6, 100)[0]!.atEnd).toBe(6);
    expect(forecast([climb('New', 0, 0)], 6, 10)[0]!.atEnd).toBe(0);
  });
});

describe('the chance to pass one more step', () => {
  it('grows with pace and lessons, from none to almost certain', () => {
    expect(chanceToPass(0, 10)).toBe(0);
    expect(chanceToPass(0.25, 0)).toBe(0);
    expect(chanceToPass(0.25, 4)).toBeCloseTo(0.632, 3);
    expect(chanceToPass(1, 12)).toBeGreaterThan(0.99);
  });
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
