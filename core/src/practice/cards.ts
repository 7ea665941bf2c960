import {
  barLength,
  mixedNumber,
  subtract,
  sum,
  valueLength,
  valueWords,
  type LengthWords,
  type Metre,
  type Rational,
} from '../music/index.ts';
import { below, seeded } from './random.ts';
import { BarWays, inUnits, numberBelow, rulesFor, type RhythmValue } from './rhythm.ts';

/** One bar to clap and count. */
export type RhythmCard = readonly RhythmValue[];

/** A bar with one value taken out, and the sum that finds it. */
export interface MissingCard {
  readonly bar: RhythmCard;
  /** Index of what is covered. */
  readonly missing: number;
  /** "4 - (1 + 1 + 1/2) = 1 1/2", counted in the lower number of the time signature. */
  readonly sum: string;
  /** "a dotted crotchet", "a crotchet rest". */
  readonly answer: string;
}

export interface CardRequest {
  readonly metre: Metre;
  /** Rhythm elements that the class knows. */
  readonly elements: ReadonlySet<string>;
  readonly count: number;
  readonly seed: number;
}

/** Different bars from what the class knows, from plain to full: as many as asked for, or all there are. */
export function rhythmCards({ metre, elements, count, seed }: CardRequest): readonly RhythmCard[] {
  const ways = new BarWays(rulesFor(metre, elements));
  const all = ways.from();
  const random = seeded(seed);
  const numbers = new Set<bigint>();
  const wanted = all < BigInt(count) ? Number(all) : count;
  while (numbers.size < wanted) numbers.add(numberBelow(random, all));
  const cards = [...numbers].map((number) => ways.bar(number).map(({ value }) => value));
  return cards.toSorted((a, b) => a.length - b.length || kinds(a) - kinds(b));
}

function kinds(card: RhythmCard): number {
  return new Set(card.map(({ kind, value }) => `${kind} ${value.base} ${value.dots}`)).size;
}

/** "What is missing from this bar?": no card is a bar of one value only, which would leave nothing to subtract. */
export function missingCards(request: CardRequest, words: LengthWords): readonly MissingCard[] {
  const random = seeded(request.seed + 1);
  const bars = rhythmCards({ ...request, count: request.count * 2 }).filter((bar) => bar.length > 1);
  return bars.slice(0, request.count).map((bar): MissingCard => {
    const missing = below(random, bar.length);
    return { bar, missing, sum: subtraction(bar, missing, request.metre), answer: answer(bar[missing]!, words) };
  });
}

function subtraction(bar: RhythmCard, missing: number, metre: Metre): string {
  const count = (length: Rational): string => mixedNumber(inUnits(length, metre));
  const there = bar.filter((_, index) => index !== missing).map((value) => valueLength(value.value));
  const left = subtract(barLength(metre), sum(there));
  return `${count(barLength(metre))} - (${there.map(count).join(' + ')}) = ${count(left)}`;
}

function answer({ kind, value }: RhythmValue, words: LengthWords): string {
  const name = valueWords(value, words);
  const text = kind === 'rest' ? `${name.replace(/ note$/, '')} rest` : name;
  return `${/^[aeiou]/.test(text) ? 'an' : 'a'} ${text}`;
}
