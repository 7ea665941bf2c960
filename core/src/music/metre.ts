import { rational, type Rational } from './rational.ts';

/** A time signature: 6/8 is {count: 6, unit: 8}. */
export interface Metre {
  readonly count: number;
  readonly unit: number;
}

/** Compound metres (6/8, 9/8, 12/8, 6/4 …) have beats of three units. */
export function isCompound(metre: Metre): boolean {
  return metre.count > 3 && metre.count % 3 === 0 && metre.unit >= 4;
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
  return a.count === b.count && a.unit === b.unit;
}
