/**
 * An exact fraction in lowest terms with a positive denominator.
 * Musical time is counted in whole notes: a crotchet (quarter note) is 1/4.
 */
export interface Rational {
  readonly num: number;
  readonly den: number;
}

export const ZERO: Rational = { num: 0, den: 1 };

function greatestCommonDivisor(a: number, b: number): number {
  let [high, low] = [Math.abs(a), Math.abs(b)];
  while (low !== 0) [high, low] = [low, high % low];
  return high;
}

/** Thrown where a length has no exact fraction: a file that causes it cannot be counted. */
export class UncountableError extends RangeError {}

/** @throws UncountableError when the denominator is 0 or a part is not a whole number. */
export function rational(num: number, den = 1): Rational {
  if (den === 0 || !Number.isSafeInteger(num) || !Number.isSafeInteger(den)) {
    throw new UncountableError(`${num}/${den} is not a fraction`);
  }
  if (num === 0) return ZERO;
  const divisor = greatestCommonDivisor(num, den) * Math.sign(den);
  return { num: num / divisor, den: den / divisor };
}

export function add(a: Rational, b: Rational): Rational {
  if (a.den === b.den) return rational(a.num + b.num, a.den);
  return rational(a.num * b.den + b.num * a.den, a.den * b.den);
}

export function subtract(a: Rational, b: Rational): Rational {
  return add(a, { num: -b.num, den: b.den });
}

export function multiply(a: Rational, b: Rational): Rational {
  return rational(a.num * b.num, a.den * b.den);
}

export function divide(a: Rational, b: Rational): Rational {
  return rational(a.num * b.den, a.den * b.num);
}

/** Negative when a is smaller, 0 when equal, positive when a is larger. */
export function compare(a: Rational, b: Rational): number {
  return a.num * b.den - b.num * a.den;
}

export function equal(a: Rational, b: Rational): boolean {
  return a.num === b.num && a.den === b.den;
}

export function sum(parts: Iterable<Rational>): Rational {
  let total = ZERO;
  for (const part of parts) total = add(total, part);
  return total;
}

/** The largest whole number not above `a`. */
export function floor(a: Rational): number {
  return Math.floor(a.num / a.den);
}

/** Only for the edge to sound and drawing: inside, time stays exact. */
export function toNumber(a: Rational): number {
  return a.num / a.den;
}

/** `3/2` reads "1 1/2", as children see it written. */
export function mixedNumber(a: Rational): string {
  const sign = a.num < 0 ? '-' : '';
  const size = Math.abs(a.num);
  const whole = Math.floor(size / a.den);
  const rest = size % a.den;
  if (rest === 0) return `${sign}${whole}`;
  return `${sign}${whole === 0 ? '' : `${whole} `}${rest}/${a.den}`;
}
