import { barLength, beatLength, isCompound, type Metre } from './metre.ts';
import { add, divide, floor, multiply, rational, subtract, toNumber, ZERO, type Rational } from './rational.ts';
import type { TuneEvent } from './tune.ts';
import { eventsLength } from './tuplets.ts';
import { valueLength } from './value.ts';

/** The schools of counting a rhythm aloud. */
export const COUNTINGS = ['numbers', 'ta', 'beat-function', 'beat-position'] as const;
export type Counting = (typeof COUNTINGS)[number];

/** An event of a bar with its time in beats from the start of the full bar. */
interface Counted {
  readonly event: TuneEvent;
  readonly start: Rational;
  readonly length: Rational;
}

/**
 * What is said for each event of a bar, in one school. A held beat is named but not struck again: a minim on one is
 * "1-2" or "ta-a". Rests stand in brackets. A pickup is counted from the end of its bar.
 */
export function nameRhythm(events: readonly TuneEvent[], metre: Metre, school: Counting): readonly string[] {
  const counted = countedEvents(events, metre);
  const said = counted.map((each, index) => {
    switch (school) {
      case 'numbers':
        return numbers(each, metre);
      case 'ta':
        return taFamily(counted, index, metre);
      case 'beat-function':
        return byPlace(each, metre, BEAT_FUNCTION);
      case 'beat-position':
        return byPlace(each, metre, BEAT_POSITION);
    }
  });
  return said.map((word, index) => (counted[index]!.event.kind === 'rest' && school !== 'ta' ? `(${word})` : word));
}

function countedEvents(events: readonly TuneEvent[], metre: Metre): readonly Counted[] {
  const beat = beatLength(metre);
  const missing = subtract(barLength(metre), eventsLength(events));
  let now: Rational = missing.num > 0 ? divide(missing, beat) : ZERO;
  return events.map((event) => {
    const length = divide(valueLength(event.value), beat);
    const counted = { event, start: now, length };
    now = add(now, length);
    return counted;
  });
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

/** In compound time every quaver of the bar has its number: 1 2 3 4 5 6. */
function numbers({ start, length }: Counted, metre: Metre): string {
  const perBeat = isCompound(metre) ? 3 : 1;
  const from = multiply(start, rational(perBeat));
  const until = multiply(add(start, length), rational(perBeat));
  const part = inBeat(from);
  const first = part.num === 0 ? String(floor(from) + 1) : (NUMBER_PARTS.get(key(part)) ?? FURTHER_DIVISION);
  const held: string[] = [];
  for (let count = floor(from) + 1; count < toNumber(until); count++) held.push(String(count + 1));
  return [first, ...held].join('-');
}

const TA_BY_BEATS: ReadonlyMap<string, string> = new Map([
  ['1/1', 'ta'],
  ['2/1', 'ta-a'],
  ['3/1', 'ta-a-a'],
  ['4/1', 'ta-a-a-a'],
  ['3/2', 'tam'],
  ['1/2', 'ti'],
  ['3/4', 'tim'],
]);

/** By length, as the syllables are taught; in compound time a quaver is ti, a crotchet ta, the beat tam. */
function taFamily(bar: readonly Counted[], index: number, metre: Metre): string {
  const { event, start, length } = bar[index]!;
  if (event.kind === 'rest') return Array.from({ length: Math.max(1, floor(length)) }, () => 'sh').join(' ');
  const syncopated = syncopa(bar, index);
  if (syncopated !== null) return syncopated;
  const { tuplet } = event.value;
  if (tuplet?.actual === 3) return ['tri', 'o', 'la'][Math.round(toNumber(inBeat(start)) * 3)] ?? 'la';
  if (isCompound(metre)) {
    const thirds = toNumber(multiply(length, rational(3)));
    return ['', 'ti', 'ta', 'tam'][thirds] ?? (thirds > 3 ? 'tam-am' : isOdd(start, 6) ? 'ka' : 'ti');
  }
  return TA_BY_BEATS.get(key(length)) ?? (isOdd(start, 4) ? 'ka' : 'ti');
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
      figure.every((each) => each.event.kind === 'note');
    if (isFigure) return word;
  }
  return null;
}

interface PlaceWords {
  readonly simple: ReadonlyMap<string, string>;
  readonly compound: ReadonlyMap<string, string>;
  readonly other: string;
}

const BEAT_FUNCTION: PlaceWords = {
  simple: new Map([
    ['0/1', 'du'],
    ['1/2', 'de'],
    ['1/3', 'da'],
    ['2/3', 'di'],
  ]),
  compound: new Map([
    ['0/1', 'du'],
    ['1/3', 'da'],
    ['2/3', 'di'],
  ]),
  other: FURTHER_DIVISION,
};

const BEAT_POSITION: PlaceWords = {
  simple: new Map([
    ['0/1', 'ta'],
    ['1/4', 'ka'],
    ['1/2', 'di'],
    ['3/4', 'mi'],
    ['1/3', 'ki'],
    ['2/3', 'da'],
  ]),
  compound: new Map([
    ['0/1', 'ta'],
    ['1/6', 'va'],
    ['1/3', 'ki'],
    ['1/2', 'di'],
    ['2/3', 'da'],
    ['5/6', 'ma'],
  ]),
  other: 'ka',
};

function byPlace({ start }: Counted, metre: Metre, words: PlaceWords): string {
  const table = isCompound(metre) ? words.compound : words.simple;
  return table.get(key(inBeat(start))) ?? words.other;
}
