/** Gives numbers from 0 up to, but not including, 1. The same seed gives the same row of numbers. */
export type Random = () => number;

/** Mulberry32 (Tommy Ettinger, public domain): small, quick, and even enough for choosing patterns. */
export function seeded(seed: number): Random {
  let state = Math.trunc(seed) >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A whole number from 0 to `sides` - 1. */
export function below(random: Random, sides: number): number {
  return Math.floor(random() * sides);
}

/** @throws RangeError when there is nothing to pick from. */
export function pick<Thing>(random: Random, things: readonly Thing[]): Thing {
  const thing = things[below(random, things.length)];
  if (thing === undefined) throw new RangeError('nothing to pick from');
  return thing;
}
