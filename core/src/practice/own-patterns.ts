import {
  add,
  barLength,
  compare,
  equal,
  mixedNumber,
  PLAIN_NOTE,
  PLAIN_REST,
  subtract,
  sum,
  toNumber,
  valueLength,
  ZERO,
  type Pitch,
  type Rational,
  type TuneEvent,
} from '../music/index.ts';
import type { Random } from './random.ts';
import { BarWays, inUnits, numberBelow, type RhythmRules, type RhythmValue } from './rhythm.ts';

/** What a pupil may build a bar from. */
export interface PatternSource extends RhythmRules {
  readonly pitches: readonly Pitch[];
}

function waysOf(source: PatternSource): BarWays {
  return new BarWays(source, ({ kind }) => (kind === 'note' ? BigInt(source.pitches.length) : 1n));
}

/** How many different bars there are; exact, however many. */
export function countBars(source: PatternSource): bigint {
  return waysOf(source).from();
}

/**
 * The bar with this number, counted from 0: every bar has one number, and every number below the count one bar.
 * @throws RangeError when there is no such bar.
 */
export function barAt(source: PatternSource, number: bigint): readonly TuneEvent[] {
  return waysOf(source)
    .bar(number)
    .map(({ value, offer }) => eventOf(value, source.pitches[Number(offer)] ?? null));
}

/** Different bars by chance, each as likely as any other: as many as asked for, or all there are. */
export function sampleBars(source: PatternSource, count: number, random: Random): readonly (readonly TuneEvent[])[] {
  const all = countBars(source);
  const numbers = new Set<bigint>();
  const wanted = all < BigInt(count) ? Number(all) : count;
  while (numbers.size < wanted) numbers.add(numberBelow(random, all));
  return [...numbers].map((number) => barAt(source, number));
}

export function eventOf({ kind, value }: RhythmValue, pitch: Pitch | null): TuneEvent {
  if (kind === 'rest' || pitch === null) return { ...PLAIN_REST, value };
  return { ...PLAIN_NOTE, value, pitch };
}

/** A bar in the making: what still fits, and how much is missing in the units of the lower number. */
export interface OpenBar {
  readonly missing: Rational;
  readonly missingWords: string;
  readonly full: boolean;
  /** Values that fit and still let the bar be filled. */
  readonly choices: readonly RhythmValue[];
}

export function openBar(rules: RhythmRules, placed: readonly RhythmValue[]): OpenBar {
  const filled = sum(placed.map((value) => valueLength(value.value)));
  const missing = subtract(barLength(rules.metre), filled);
  return {
    missing,
    missingWords: mixedNumber(inUnits(missing, rules.metre)),
    full: equal(missing, ZERO),
    choices: compare(missing, ZERO) <= 0 ? [] : new BarWays(rules).goodChoices(filled),
  };
}

/**
 * The bar whose notes begin nearest to where they were tapped, or null when no bar has that many notes.
 * @param taps seconds from the first tap of the bar; the first is 0.
 * @param secondsOfWhole seconds of a whole note at the tempo of the tapping.
 */
export function barFromTaps(
  rules: RhythmRules,
  taps: readonly number[],
  secondsOfWhole: number,
): readonly RhythmValue[] | null {
  const wanted = taps.map((seconds) => seconds / secondsOfWhole);
  return nearest(rules, new BarWays(rules), wanted, ZERO, new Map())?.values ?? null;
}

interface Near {
  readonly values: readonly RhythmValue[];
  readonly distance: number;
}

/** The best way to fill the bar from `at` on with the taps that are left. */
function nearest(
  rules: RhythmRules,
  ways: BarWays,
  taps: readonly number[],
  at: Rational,
  known: Map<string, Near | null>,
): Near | null {
  if (equal(at, barLength(rules.metre))) return taps.length === 0 ? { values: [], distance: 0 } : null;
  const key = `${at.num}/${at.den} ${taps.length}`;
  const solved = known.get(key);
  if (solved !== undefined) return solved;
  let best: Near | null = null;
  for (const value of ways.choices(at)) {
    const isNote = value.kind === 'note';
    if (isNote && taps.length === 0) continue;
    const rest = nearest(rules, ways, isNote ? taps.slice(1) : taps, add(at, valueLength(value.value)), known);
    if (rest === null) continue;
    const off = isNote ? (taps[0]! - toNumber(at)) ** 2 : 0;
    const distance = rest.distance + off;
    if (best === null || distance < best.distance) best = { values: [value, ...rest.values], distance };
  }
  known.set(key, best);
  return best;
}
