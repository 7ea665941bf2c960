import { beatLength, isCompound, type Metre } from './metre.ts';
import { add, divide, equal, floor, multiply, rational, subtract, toNumber, ZERO, type Rational } from './rational.ts';
import type { Tune, TuneEvent } from './tune.ts';
import { tupletGroups } from './tuplets.ts';
import { barStarts } from './upbeats.ts';
import { valueLength } from './value.ts';

/** The schools of counting a rhythm aloud. */
export const COUNTINGS = ['numbers', 'ta', 'beat-function', 'beat-position'] as const;
export type Counting = (typeof COUNTINGS)[number];

/** What quaver, crotchet, quaver is said with where lengths are syllables. */
export const SYNCOPATIONS = ['syn-co-pa', 'ti-ta-ti', 'numbers'] as const;
export type Syncopation = (typeof SYNCOPATIONS)[number];

/** What teachers of one school still say differently. */
export interface Sayings {
  readonly syncopation: Syncopation;
  /** What a rest is called aloud for each beat; empty for what the school has. */
  readonly rest: string;
}

export const USUAL_SAYINGS: Sayings = { syncopation: 'syn-co-pa', rest: '' };

/** What is struck once: an event of a bar with those tied to it there. Times in beats from the start of the full bar. */
interface Counted {
  readonly event: TuneEvent;
  readonly start: Rational;
  readonly length: Rational;
  /** In crotchets: what length syllables go by, whatever the metre beats. */
  readonly crotchets: Rational;
  /** How many written events it is. */
  readonly events: number;
  /** Struck in the bar before. */
  readonly isHeld: boolean;
  /** The tuplet sign it stands under: when it begins, and which of its notes this is. */
  readonly tuplet: { readonly start: Rational; readonly place: number } | null;
}

/** What stands before and around a bar. */
export interface BarPlace {
  /** How much of the full bar has gone by when it begins, in whole notes: an upbeat begins late. */
  readonly start?: Rational;
  /** Its first note is tied to the last of the bar before. */
  readonly tiedInto?: boolean;
  readonly sayings?: Sayings;
}

/** What is said for each event of each bar of a part, in one school; held notes are named and not struck again. */
export function countTune(
  tune: Tune,
  school: Counting,
  part = 0,
  sayings: Sayings = USUAL_SAYINGS,
): readonly (readonly string[])[] {
  const starts = barStarts(tune);
  const { bars } = tune.parts[part]!;
  return bars.map((events, index) => {
    const before = bars[index - 1]?.at(-1);
    const tiedInto = before?.kind === 'note' && before.tied;
    return nameRhythm(events, tune.bars[index]!.metre, school, { start: starts[index]!, tiedInto, sayings });
  });
}

/**
 * What is said for each event of a bar, in one school. A held beat is named but not struck again: a minim on one is
 * "1-2" or "ta-a"; what is tied to a note of the bar says nothing, and what is held from the bar before stands in
 * brackets, as rests do.
 */
export function nameRhythm(
  events: readonly TuneEvent[],
  metre: Metre,
  school: Counting,
  { start = ZERO, tiedInto = false, sayings = USUAL_SAYINGS }: BarPlace = {},
): readonly string[] {
  const counted = countedEvents(events, metre, start, tiedInto);
  return counted.flatMap((each, index) => {
    if (each.event.kind === 'rest' && sayings.rest !== '') return [restWords(each, sayings.rest)];
    const word = wordOf(counted, index, metre, school, sayings);
    const isSaid = each.event.kind === 'note' && !each.isHeld;
    const hasBrackets = !isSaid && !(school === 'ta' && each.event.kind === 'rest');
    return [hasBrackets ? `(${word})` : word, ...Array.from({ length: each.events - 1 }, () => '')];
  });
}

/** Once for each beat that a rest lasts, once at least. */
function restWords({ length }: Counted, word: string): string {
  return Array.from({ length: Math.max(1, floor(length)) }, () => word).join(' ');
}

function wordOf(
  counted: readonly Counted[],
  index: number,
  metre: Metre,
  school: Counting,
  { syncopation }: Sayings,
): string {
  const each = counted[index]!;
  switch (school) {
    case 'numbers':
      return numbers(each, metre);
    case 'ta':
      return taFamily(counted, index, metre, syncopation);
    case 'beat-function':
      return byPlace(each, metre, BEAT_FUNCTION);
    case 'beat-position':
      return byPlace(each, metre, BEAT_POSITION);
  }
}

function countedEvents(
  events: readonly TuneEvent[],
  metre: Metre,
  start: Rational,
  tiedInto: boolean,
): readonly Counted[] {
  const beat = beatLength(metre);
  const places = tupletPlaces(events, start, beat);
  const counted: Counted[] = [];
  let now = divide(start, beat);
  for (const [index, event] of events.entries()) {
    const whole = valueLength(event.value);
    const [length, crotchets] = [divide(whole, beat), multiply(whole, rational(4))];
    const last = counted.at(-1);
    const before = events[index - 1];
    if (last !== undefined && before?.kind === 'note' && before.tied)
      counted[counted.length - 1] = {
        ...last,
        length: add(last.length, length),
        crotchets: add(last.crotchets, crotchets),
        events: last.events + 1,
      };
    else
      counted.push({
        event,
        start: now,
        length,
        crotchets,
        events: 1,
        isHeld: index === 0 && tiedInto,
        tuplet: places.get(index) ?? null,
      });
    now = add(now, length);
  }
  return counted;
}

/** For each event under a tuplet sign of three equal notes or two: where the sign begins, in beats, and its place. */
function tupletPlaces(
  events: readonly TuneEvent[],
  start: Rational,
  beat: Rational,
): ReadonlyMap<number, { readonly start: Rational; readonly place: number }> {
  const found = new Map<number, { readonly start: Rational; readonly place: number }>();
  const starts: Rational[] = [];
  let now = start;
  for (const event of events) {
    starts.push(divide(now, beat));
    now = add(now, valueLength(event.value));
  }
  for (const { first, last } of tupletGroups(events)) {
    const unit = valueLength(events[first]!.value);
    const isEven = events.slice(first, last + 1).every((event) => equal(valueLength(event.value), unit));
    if (!isEven) continue;
    for (let index = first; index <= last; index++) found.set(index, { start: starts[first]!, place: index - first });
  }
  return found;
}

/** The part of a beat at which something starts: 1/2 is halfway. */
function inBeat(start: Rational): Rational {
  return subtract(start, rational(floor(start)));
}

function key({ num, den }: Rational): string {
  return `${num}/${den}`;
}

/** What has no word of its own: parts of parts, such as semiquavers in 2/2. */
const FURTHER_DIVISION = 'ta';

const NUMBER_PARTS: ReadonlyMap<string, string> = new Map([
  ['1/4', 'e'],
  ['1/2', '&'],
  ['3/4', 'a'],
  ['1/3', 'trip'],
  ['2/3', 'let'],
]);

/** A triplet is counted as one figure, over a beat or over two. */
function inTriplet({ event, tuplet }: Counted, words: readonly [string, string, string]): string | null {
  return event.value.tuplet?.actual === 3 && tuplet !== null ? (words[tuplet.place] ?? null) : null;
}

/** In compound time every quaver of the bar has its number: 1 2 3 4 5 6. */
function numbers(each: Counted, metre: Metre): string {
  const { start, length, tuplet } = each;
  const triplet = inTriplet(each, [String(floor(tuplet?.start ?? start) + 1), 'trip', 'let']);
  if (triplet !== null) return triplet;
  const perBeat = isCompound(metre) ? 3 : 1;
  const from = multiply(start, rational(perBeat));
  const until = multiply(add(start, length), rational(perBeat));
  const part = inBeat(from);
  const first = part.num === 0 ? String(floor(from) + 1) : (NUMBER_PARTS.get(key(part)) ?? FURTHER_DIVISION);
  const held: string[] = [];
  for (let count = floor(from) + 1; count < toNumber(until); count++) held.push(String(count + 1));
  return [first, ...held].join('-');
}

/** By length in crotchets. */
const TA_WORDS: ReadonlyMap<string, string> = new Map([
  ['1/1', 'ta'],
  ['2/1', 'ta-a'],
  ['3/1', 'ta-a-a'],
  ['4/1', 'ta-a-a-a'],
  ['3/2', 'tam'],
  ['7/4', 'tam'],
  ['1/2', 'ti'],
  ['3/4', 'tim'],
  ['7/8', 'tim'],
]);

/** By length, as the syllables are taught: a quaver is ti, a crotchet ta, whatever the metre beats. */
function taFamily(bar: readonly Counted[], index: number, metre: Metre, said: Syncopation): string {
  const each = bar[index]!;
  const { event, start, crotchets } = each;
  if (event.kind === 'rest') return Array.from({ length: Math.max(1, floor(crotchets)) }, () => 'sh').join(' ');
  const syncopated = syncopa(bar, index);
  if (syncopated !== null && said !== 'ti-ta-ti') return said === 'numbers' ? numbers(each, metre) : syncopated;
  const triplet = inTriplet(each, ['tri', 'o', 'la']);
  if (triplet !== null) return triplet;
  if (event.value.tuplet?.actual === 2) return 'ta';
  if (isCompound(metre) && metre.unit === 8 && equal(crotchets, rational(3))) return 'tam-am';
  return TA_WORDS.get(key(crotchets)) ?? longOrShort(each, isOdd(start, isCompound(metre) ? 6 : 4));
}

/** Longer than four crotchets, or tied to a length that has no word: a syllable for each crotchet; shorter than a quaver. */
function longOrShort({ crotchets }: Counted, isSecond: boolean): string {
  if (toNumber(crotchets) < 0.5) return isSecond ? 'ka' : 'ti';
  return ['ta', ...Array.from({ length: Math.max(0, Math.ceil(toNumber(crotchets)) - 1) }, () => 'a')].join('-');
}

function isOdd(start: Rational, partsOfBeat: number): boolean {
  return Math.round(toNumber(inBeat(start)) * partsOfBeat) % 2 === 1;
}

/** Quaver, crotchet, quaver from a beat on is syn-co-pa. */
function syncopa(bar: readonly Counted[], index: number): string | null {
  for (const [place, word] of ['syn', 'co', 'pa'].entries()) {
    const figure = bar.slice(index - place, index - place + 3);
    const isFigure =
      index - place >= 0 &&
      figure.length === 3 &&
      inBeat(figure[0]!.start).num === 0 &&
      figure.map((each) => key(each.length)).join(' ') === '1/2 1/1 1/2' &&
      figure.every((each) => each.event.kind === 'note' && each.events === 1 && !each.isHeld);
    if (isFigure) return word;
  }
  return null;
}

interface PlaceWords {
  readonly simple: ReadonlyMap<string, string>;
  readonly compound: ReadonlyMap<string, string>;
  readonly triplet: readonly [string, string, string];
  readonly other: string;
}

const BEAT_FUNCTION: PlaceWords = {
  simple: new Map([
    ['0/1', 'du'],
    ['1/2', 'de'],
  ]),
  compound: new Map([
    ['0/1', 'du'],
    ['1/3', 'da'],
    ['2/3', 'di'],
  ]),
  triplet: ['du', 'da', 'di'],
  other: FURTHER_DIVISION,
};

const BEAT_POSITION: PlaceWords = {
  simple: new Map([
    ['0/1', 'ta'],
    ['1/4', 'ka'],
    ['1/2', 'di'],
    ['3/4', 'mi'],
  ]),
  compound: new Map([
    ['0/1', 'ta'],
    ['1/6', 'va'],
    ['1/3', 'ki'],
    ['1/2', 'di'],
    ['2/3', 'da'],
    ['5/6', 'ma'],
  ]),
  triplet: ['ta', 'ki', 'da'],
  other: 'ka',
};

function byPlace(each: Counted, metre: Metre, words: PlaceWords): string {
  const triplet = inTriplet(each, words.triplet);
  if (triplet !== null) return triplet;
  // Two in the time of three halve the beat as two quavers do.
  const isDuplet = each.event.value.tuplet?.actual === 2;
  const table = isCompound(metre) && !isDuplet ? words.compound : words.simple;
  return table.get(key(inBeat(each.start))) ?? words.other;
}
