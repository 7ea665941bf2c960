// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { untilQuiet } from './quiet.ts';

const RATE = 8000;
const block = (level: number) => Float32Array.from({ length: 800 }, (_, at) => (at % 2 === 0 ? level : -level));
/** Tenths of a second of each level. @returns after how many of them it was quiet; null for never. */
function quietAfter(...levels: readonly (readonly [level: number, tenths: number])[]): number | null {
  const ear = untilQuiet(0.95);
  const at = levels
    .flatMap(([level, tenths]) => Array.from({ length: tenths }, () => level))
    .findIndex((level) => ear.heard(block(level), RATE));
  return at < 0 ? null : at + 1;
}

describe('the end of a playing', () => {
  it('is where it has been quiet for long enough', () => {
    expect(quietAfter([0.3, 20], [0.002, 20])).toBe(30);
  });

  it('is not before anybody has played, and no breath', () => {
    expect(quietAfter([0.002, 100])).toBeNull();
    expect(quietAfter([0.3, 10], [0.002, 8], [0.3, 10], [0.002, 20])).toBe(38);
  });

  it('is heard over a room that talks, and no knock is a playing', () => {
    expect(quietAfter([0.02, 10], [0.4, 20], [0.02, 20])).toBe(40);
    expect(quietAfter([0.5, 1], [0.002, 40])).toBeNull();
  });
});
