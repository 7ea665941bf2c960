import { rational, type Rational } from './rational.ts';

/** A time signature: 6/8 is {count: 6, unit: 8}. */
export interface Metre {
  readonly count: number;
  readonly unit: number;
  /** How an additive metre is put together, as printed: [3, 2] for 3+2/8. */
  readonly groups?: readonly number[];
}

/** "3+2/8": as it stands on the sheet. */
export function metreText({ count, unit, groups }: Metre): string {
  return `${groups?.join('+') ?? count}/${unit}`;
}

const UNITS = [1, 2, 4, 8, 16, 32];
const MOST_UNITS = 24;

/** From what a file says, "3+2" over "8"; null for what is no time signature. */
export function metreOf(above: string, below: number): Metre | null {
  const groups = above.split('+').map(Number);
  const count = groups.reduce((sum, group) => sum + group, 0);
  const isMetre =
    groups.every((group) => Number.isInteger(group) && group >= 1) && count <= MOST_UNITS && UNITS.includes(below);
  if (!isMetre) return null;
  return groups.length === 1 ? { count, unit: below } : { count, unit: below, groups };
}

/** Compound metres (6/8, 9/8, 12/8, 6/4 …) have beats of three units. */
export function isCompound(metre: Metre): boolean {
  return metre.groups === undefined && metre.count > 3 && metre.count % 3 === 0 && metre.unit >= 4;
}

/** The length of a full bar in whole notes. */
export function barLength(metre: Metre): Rational {
  return rational(metre.count, metre.unit);
}

/** The length of one beat in whole notes: 1/4 in 3/4, 3/8 in 6/8. */
export function beatLength(metre: Metre): Rational {
  return isCompound(metre) ? rational(3, metre.unit) : rational(1, metre.unit);
}

export function beatsInBar(metre: Metre): number {
  return isCompound(metre) ? metre.count / 3 : metre.count;
}

export function sameMetre(a: Metre, b: Metre): boolean {
  return a.count === b.count && a.unit === b.unit && a.groups?.join() === b.groups?.join();
}
