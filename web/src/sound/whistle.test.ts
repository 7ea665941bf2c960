import { describe, expect, it } from 'vitest';
import { whistleTone } from './whistle.ts';

const RATE = 22_050;
const hertzOf = (midi: number): number => 440 * 2 ** ((midi - 69) / 12);

function noise(seed = 1): () => number {
  let state = seed;
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}

/** The strength of a partial from one moment to another, under a Hann window. */
function partial(samples: Float32Array, hertz: number, from: number, to: number): number {
  const [first, last] = [Math.round(from * RATE), Math.round(to * RATE)];
  let [re, im] = [0, 0];
  for (let at = first; at < last; at++) {
    const window = 0.5 - 0.5 * Math.cos((2 * Math.PI * (at - first)) / (last - first));
    re += samples[at]! * window * Math.cos((2 * Math.PI * hertz * at) / RATE);
    im -= samples[at]! * window * Math.sin((2 * Math.PI * hertz * at) / RATE);
  }
  return (4 * Math.hypot(re, im)) / (last - first);
}

/** How many cents the tone is off, by where its first partial is strongest. */
function centsOff(samples: Float32Array, hertz: number, from: number, to: number): number {
  const cents = Array.from({ length: 81 }, (_, at) => at - 40);
  const strength = (each: number): number => partial(samples, hertz * 2 ** (each / 1200), from, to);
  return cents.reduce((best, cent) => (strength(cent) > strength(best) ? cent : best), 0);
}

describe('the voice of the whistle', () => {
  const notes = [74, 79, 83, 86, 91, 95];

  it.each(notes)('stands within five cents of its pitch, from start to end (%i)', (midi) => {
    const tone = whistleTone(midi, RATE, 2.2, noise());
    for (const from of [0.2, 0.8, 1.4])
      expect(Math.abs(centsOff(tone, hertzOf(midi), from, from + 0.6))).toBeLessThanOrEqual(5);
  });

  it('has the overtones of a whistle, fewer the higher it is', () => {
    const second = notes.map((midi) => {
      const [tone, hertz] = [whistleTone(midi, RATE, 1.5, noise()), hertzOf(midi)];
      return 20 * Math.log10(partial(tone, 2 * hertz, 0.5, 1.3) / partial(tone, hertz, 0.5, 1.3));
    });
    for (const level of second) {
      expect(level).toBeLessThan(-11);
      expect(level).toBeGreaterThan(-26);
    }
    expect(second).toEqual(second.toSorted((a, b) => b - a));
  });

  it('is as loud from note to note, and never too loud', () => {
    for (const midi of notes) {
      const tone = whistleTone(midi, RATE, 1.5, noise());
      const steady = tone.subarray(Math.round(0.5 * RATE));
      const loudness = Math.sqrt(steady.reduce((sum, each) => sum + each * each, 0) / steady.length);
      expect(Math.abs(loudness - 0.16)).toBeLessThan(0.01);
      expect(Math.max(...tone.map(Math.abs))).toBeLessThan(0.6);
    }
  });
});
