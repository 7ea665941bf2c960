import { describe, expect, it } from 'vitest';
import { NAMINGS } from '../instruments/index.ts';
import { COUNTINGS, LENGTH_WORDS, SYNCOPATIONS } from '../music/index.ts';
import { contrastWithWhite, LEAST_CONTRAST, USUAL_COLOURS } from './colours.ts';
import { MOUTH_RULES, REST_PLACES } from './posture.ts';
import {
  COUNTING_CHOICES,
  ECHO_SIGHT_CHOICES,
  ECHO_SIGHTS,
  FEWEST_RUNGS,
  FIRST_NOTES,
  FIRST_NOTES_CHOICES,
  ladder,
  LENGTH_CHOICES,
  MOST_RUNGS,
  MOUTH_CHOICES,
  NAMING_CHOICES,
  PART_CHOICES,
  PART_RULES,
  PASS_CHOICES,
  PASS_RULES,
  REPEAT_CHOICES,
  REPEAT_WAYS,
  REST_CHOICES,
  RIGHT_HAND_CHOICES,
  RIGHT_HANDS,
  SYNCOPATION_CHOICES,
  TONGUE_CHOICES,
  TONGUES,
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
      [SYNCOPATION_CHOICES, SYNCOPATIONS],
      [TONGUE_CHOICES, TONGUES],
      [RIGHT_HAND_CHOICES, RIGHT_HANDS],
      [REPEAT_CHOICES, REPEAT_WAYS],
      [FIRST_NOTES_CHOICES, FIRST_NOTES],
      [ECHO_SIGHT_CHOICES, ECHO_SIGHTS],
      [PART_CHOICES, PART_RULES],
    ] as const) {
      expect(new Set(choices.map((choice) => choice.value))).toEqual(new Set(all));
      expect(choices).toHaveLength(all.length);
      for (const choice of choices) expect(choice.speaksFor).toMatch(/^[A-Z].*\.$/);
    }
  });
});

describe('the practice ladder', () => {
  it('is climbed in the order of the class, each rung once', () => {
    expect(ladder(['clap', 'say', 'spot', 'clap']).map((rung) => rung.id)).toEqual(['clap', 'say', 'spot']);
    expect(USUAL_LADDER.length).toBeGreaterThanOrEqual(FEWEST_RUNGS);
    expect(USUAL_LADDER.length).toBeLessThanOrEqual(MOST_RUNGS);
  });
});

describe('the colours of notes', () => {
  it('can all be told from the paper', () => {
    for (const colour of Object.values(USUAL_COLOURS)) expect(contrastWithWhite(colour)).toBeGreaterThan(4.5);
    expect(contrastWithWhite('#ffe08a')).toBeLessThan(LEAST_CONTRAST);
    expect(contrastWithWhite('#000000')).toBeCloseTo(21);
  });
});
