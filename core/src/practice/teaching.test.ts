import { describe, expect, it } from 'vitest';
import { NAMINGS } from '../instruments/index.ts';
import { COUNTINGS, LENGTH_WORDS } from '../music/index.ts';
import { MOUTH_RULES, REST_PLACES } from './posture.ts';
import {
  COUNTING_CHOICES,
  FEWEST_RUNGS,
  ladder,
  LENGTH_CHOICES,
  MOST_RUNGS,
  MOUTH_CHOICES,
  NAMING_CHOICES,
  PASS_CHOICES,
  PASS_RULES,
  REST_CHOICES,
  USUAL_LADDER,
} from './teaching.ts';

describe('the ways in which teachers differ', () => {
  it('offer every school once, with what speaks for it', () => {
    for (const [choices, all] of [
      [NAMING_CHOICES, NAMINGS],
      [COUNTING_CHOICES, [null, ...COUNTINGS]],
      [LENGTH_CHOICES, LENGTH_WORDS],
      [MOUTH_CHOICES, MOUTH_RULES],
      [REST_CHOICES, REST_PLACES],
      [PASS_CHOICES, PASS_RULES],
    ] as const) {
      expect(new Set(choices.map((choice) => choice.value))).toEqual(new Set(all));
      expect(choices).toHaveLength(all.length);
      for (const choice of choices) expect(choice.speaksFor).toMatch(/^[A-Z].*\.$/);
    }
  });
});

describe('the practice ladder', () => {
  it('is climbed from the voice to the whole tune, whatever the order of choosing', () => {
    expect(ladder(['whole', 'say', 'spot']).map((rung) => rung.id)).toEqual(['say', 'spot', 'whole']);
    expect(USUAL_LADDER.length).toBeGreaterThanOrEqual(FEWEST_RUNGS);
    expect(USUAL_LADDER.length).toBeLessThanOrEqual(MOST_RUNGS);
  });
});
