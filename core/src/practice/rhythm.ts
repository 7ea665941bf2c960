import {
  add,
  barLength,
  beatLength,
  compare,
  divide,
  equal,
  floor,
  isCompound,
  multiply,
  rational,
  subtract,
  VALUE_NAMES,
  valueLength,
  ZERO,
  type Metre,
  type NoteValue,
  type Rational,
  type ValueName,
} from '../music/index.ts';

/** A written length, sounding or silent. */
export interface RhythmValue {
  readonly kind: 'note' | 'rest';
  readonly value: NoteValue;
}

/** How bars may be filled. */
export interface RhythmRules {
  readonly metre: Metre;
  readonly values: readonly RhythmValue[];
  /** A note that begins off the beat may sound over the next one. */
  readonly syncopation: boolean;
}

/** The single values among a class's rhythm elements (`note half`, `rest quarter`), longest first. Tuplets are not. */
export function valuesKnown(elements: ReadonlySet<string>): readonly RhythmValue[] {
  const found = [...elements].flatMap((id): RhythmValue[] => {
    const match = /^(note|rest) (dotted-)?([a-z-]+)$/.exec(id);
    const base = VALUE_NAMES.find((name) => name === match?.[3]);
    if (match === null || base === undefined) return [];
    return [{ kind: match[1] as 'note' | 'rest', value: plainValue(base, match[2] === undefined ? 0 : 1) }];
  });
  return found.toSorted((a, b) => compare(valueLength(b.value), valueLength(a.value)) || (a.kind < b.kind ? -1 : 1));
}

export function plainValue(base: ValueName, dots = 0): NoteValue {
  return { base, dots, tuplet: null };
}

/** The rules that a class's knowledge sets for a metre. */
export function rulesFor(metre: Metre, elements: ReadonlySet<string>): RhythmRules {
  return { metre, values: valuesKnown(elements), syncopation: elements.has('syncopation') };
}

/**
 * Whether a value may begin at a place of the bar, so that the beats can be seen in the writing: what is longer than a
 * beat begins on one; what is shorter begins on a multiple of itself and stays within its beat, but for a syncopation.
 */
export function mayStand(at: Rational, { kind, value }: RhythmValue, { metre, syncopation }: RhythmRules): boolean {
  const length = valueLength(value);
  const end = add(at, length);
  if (compare(end, barLength(metre)) > 0) return false;
  const beat = beatLength(metre);
  const start = inBeats(at, beat);
  const inside = subtract(start, rational(floor(start)));
  const beats = inBeats(length, beat);
  if (inside.num === 0) return compare(beats, rational(1)) <= 0 || isWhole(beats) || !isCompound(metre);
  const plain = valueLength({ ...value, dots: 0 });
  const unit = rational(1, metre.unit);
  const grid = isCompound(metre) && compare(unit, plain) < 0 ? unit : plain;
  const onGrid = isWhole(divide(at, grid));
  const staysInside = compare(add(inside, beats), rational(1)) <= 0;
  const endsOnEdge = value.dots === 0 || equal(add(inside, beats), rational(1));
  if (staysInside) return onGrid && endsOnEdge;
  const isSyncopated = syncopation && kind === 'note' && equal(beats, rational(1)) && equal(inside, rational(1, 2));
  return isSyncopated && !isCompound(metre);
}

function inBeats(length: Rational, beat: Rational): Rational {
  return divide(length, beat);
}

function isWhole(size: Rational): boolean {
  return size.den === 1;
}

/** In how many ways a bar can be filled from each place on; the weight of a value counts how often it is offered. */
export class BarWays {
  readonly #rules: RhythmRules;
  readonly #weight: (value: RhythmValue) => bigint;
  readonly #known = new Map<string, bigint>();
  readonly #choices = new Map<string, readonly RhythmValue[]>();

  constructor(rules: RhythmRules, weight: (value: RhythmValue) => bigint = () => 1n) {
    this.#rules = rules;
    this.#weight = weight;
  }

  /** From a place in the bar, in whole notes, to its end. */
  from(at: Rational = ZERO): bigint {
    if (equal(at, barLength(this.#rules.metre))) return 1n;
    const key = `${at.num}/${at.den}`;
    const known = this.#known.get(key);
    if (known !== undefined) return known;
    let ways = 0n;
    for (const value of this.choices(at)) ways += this.#weight(value) * this.from(add(at, valueLength(value.value)));
    this.#known.set(key, ways);
    return ways;
  }

  /** The values that may stand at a place; the bar may still turn out to be impossible to finish. */
  choices(at: Rational): readonly RhythmValue[] {
    const key = `${at.num}/${at.den}`;
    const known = this.#choices.get(key);
    if (known !== undefined) return known;
    const choices = this.#rules.values.filter((value) => mayStand(at, value, this.#rules));
    this.#choices.set(key, choices);
    return choices;
  }

  /** The values that may stand at a place and leave a rest that can be filled. */
  goodChoices(at: Rational): readonly RhythmValue[] {
    return this.choices(at).filter((value) => this.from(add(at, valueLength(value.value))) > 0n);
  }

  /**
   * The bar with this number among all, counted from 0, and for each of its values which of the offers it is.
   * @throws RangeError when there is no such bar.
   */
  bar(number: bigint): readonly { readonly value: RhythmValue; readonly offer: bigint }[] {
    if (number < 0n || number >= this.from()) throw new RangeError(`There is no bar ${number}`);
    const found: { value: RhythmValue; offer: bigint }[] = [];
    let at: Rational = ZERO;
    let rest = number;
    while (!equal(at, barLength(this.#rules.metre))) {
      for (const value of this.choices(at)) {
        const after = this.from(add(at, valueLength(value.value)));
        const ways = this.#weight(value) * after;
        if (rest >= ways) {
          rest -= ways;
          continue;
        }
        found.push({ value, offer: rest / after });
        rest %= after;
        at = add(at, valueLength(value.value));
        break;
      }
    }
    return found;
  }
}

/** A whole number below `ways`, each as likely. */
export function numberBelow(random: () => number, ways: bigint): bigint {
  const fine = 2 ** 30;
  const high = BigInt(Math.floor(random() * fine));
  const low = BigInt(Math.floor(random() * fine));
  return (((high << 30n) | low) * ways) >> 60n;
}

/** How a length counts in the units of the time signature's lower number. */
export function inUnits(length: Rational, metre: Metre): Rational {
  return multiply(length, rational(metre.unit));
}
