// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { sustained } from './sustain.ts';

const RATE = 8000;

function tone(hertz: number, seconds: number): Float32Array {
  return Float32Array.from(
    { length: seconds * RATE },
    (_, index) => 0.5 * Math.sin((2 * Math.PI * hertz * index) / RATE),
  );
}

function loudness(samples: Float32Array, from: number, to: number): number {
  const part = samples.subarray(from * RATE, to * RATE);
  return Math.sqrt(part.reduce((sum, sample) => sum + sample * sample, 0) / part.length);
}

/** Crossings of zero upwards in a second: the pitch of a tone without overtones. */
function crossings(samples: Float32Array, from: number, to: number): number {
  let count = 0;
  for (let index = from * RATE + 1; index < to * RATE; index++)
    if (samples[index - 1]! < 0 && samples[index]! >= 0) count++;
  return count / (to - from);
}

describe('a sample made longer', () => {
  const long = sustained(tone(440, 1.7), RATE, 8);

  it('lasts as long as it is asked to, with its attack untouched', () => {
    expect(long.length).toBe(8 * RATE);
    expect(long.subarray(0, RATE)).toEqual(tone(440, 1));
  });

  it('keeps its pitch', () => {
    expect(Math.abs(crossings(long, 2, 7) - 440)).toBeLessThan(3);
  });

  it('never falls silent and never doubles', () => {
    for (let at = 0.1; at < 7.8; at += 0.1) {
      const here = loudness(long, at, at + 0.1);
      expect(here, `at ${at} s`).toBeGreaterThan(0.05);
      expect(here, `at ${at} s`).toBeLessThan(0.55);
    }
  });

  it('is cut where a short one is asked for, and refuses a sample without a steady part', () => {
    expect(sustained(tone(440, 1.7), RATE, 1)).toHaveLength(RATE);
    expect(() => sustained(tone(440, 0.8), RATE, 8)).toThrow(RangeError);
  });
});
