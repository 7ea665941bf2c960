import {
  add,
  barStarts,
  beatLength,
  compare,
  divide,
  equal,
  eventsLength,
  floor,
  performedNotes,
  rational,
  subtract,
  toNumber,
  valueLength,
  ZERO,
  barLength,
  type PerformedNote,
  type Rational,
  type Tempo,
  type Tune,
  type TuneEvent,
} from '../music/index.ts';
import { wordGaps, type WordGap } from './breath-words.ts';
import { secondsOfWhole } from './played.ts';

/** Where to breathe: after a note of the sheet. */
export interface Breath {
  readonly afterBar: number;
  /** Beats of the bar that are over when the breath comes; 4 is the end of a bar of 4/4. */
  readonly afterBeat: number;
  /** A small breath is taken from the note before it; a full one has a rest or a long note. */
  readonly kind: 'small' | 'full';
  readonly barIndex: number;
  readonly eventIndex: number;
  /** What speaks for this place; nothing when it is only that the air runs out. */
  readonly reasons: readonly BreathReason[];
}

export type BreathReason = 'rest' | 'marked' | 'words' | 'line-end' | 'bar-end' | 'upbeat' | 'long-note';

/** How many seconds of playing one breath carries, for children. */
export const DEFAULT_BREATH_SECONDS = 6;

interface Place {
  readonly note: PerformedNote;
  readonly cost: number;
  readonly reasons: readonly BreathReason[];
  /** Seconds from the start of the tune. */
  readonly start: number;
  /** Seconds until the air is needed no longer: the last beat of a long note may be cut short for the breath. */
  readonly end: number;
  readonly isRest: boolean;
  readonly isSentenceEnd: boolean;
  /** A phrase ends here: who is nearly out of air still comes so far. */
  readonly isPhraseEnd: boolean;
  /** Places with the same are at the same note of bars that are alike. */
  readonly alike: string;
}

/** Who has breathed less than this ago needs no other breath. */
const SHORT_SECONDS = 2;

/** Who has more than this share of a breath left plays on, unless a sentence ends or a rest comes. */
const EARLY = 0.6;

/** By so much of a breath more a phrase may last. */
const BEND = 0.4;

/** Costs of a breath by its place: what attracts is negative, what repels positive. */
const COST = {
  breath: 3,
  rest: -3.4,
  marked: -6,
  lineEnd: -3.5,
  barEnd: -0.8,
  evenBar: -0.7,
  fourthBar: -1.4,
  longNote: -1.6,
  /** A note that lasts a bar and more, and closes a phrase by that alone. */
  wholeBarNote: -2.6,
  insideBar: 0.8,
  insideBeat: 4,
  shortFigure: 2.5,
  slur: 50,
  /** Between an upbeat and its bar nobody breathes. */
  upbeat: 50,
  sentenceEnd: -3.6,
  comma: -2.2,
  /** Words go on over it. */
  betweenWords: 3,
  newClause: 0,
  littleWord: 12,
  insideWord: 50,
  /** Bars that are alike are breathed alike. */
  alike: -1,
  unlike: 0.6,
  tooLongForEachSecond: 30,
  /** The same up to the end of a phrase that is not much longer than a breath. */
  bentForEachSecond: 1.2,
  tooShortForEachSecond: 4,
  earlyForEachSecond: 1.5,
} as const;

const WORD_COST: Readonly<Record<WordGap, number>> = {
  'sentence-end': COST.sentenceEnd,
  comma: COST.comma,
  'between-words': COST.betweenWords,
  'new-clause': COST.newClause,
  'little-word': COST.littleWord,
  'inside-word': COST.insideWord,
};

/**
 * Breaths by dynamic programming over the performance: of all sets of places where no stretch lasts longer than one
 * breath, the one that costs least. Marks of the sheet attract; the same place is shown once.
 */
export function proposeBreaths(tune: Tune, tempo: Tempo, most = DEFAULT_BREATH_SECONDS): readonly Breath[] {
  const places = placesOf(tune, tempo);
  const chosen = cheapest(breathedAlike(places, cheapest(places, most)), most);
  const shown = new Map<string, Breath>();
  for (const place of chosen) {
    const { barIndex, eventIndex } = lastWritten(tune, place.note);
    shown.set(`${barIndex}.${eventIndex}`, breathAt(tune, barIndex, eventIndex, place));
  }
  return [...shown.values()].toSorted((a, b) => a.barIndex - b.barIndex || a.eventIndex - b.eventIndex);
}

/** Places where bars like theirs are breathed cost less than before, and more where these are not. */
function breathedAlike(places: readonly Place[], chosen: readonly Place[]): readonly Place[] {
  const all = countAlike(places);
  const taken = countAlike(chosen);
  return places.map((place) => {
    const twins = all.get(place.alike)!;
    if (twins === 1) return place;
    const share = (taken.get(place.alike) ?? 0) / twins;
    return { ...place, cost: place.cost + (share >= 0.5 ? COST.alike * share : COST.unlike * (1 - share)) };
  });
}

function countAlike(places: readonly Place[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { alike } of places) counts.set(alike, (counts.get(alike) ?? 0) + 1);
  return counts;
}

/** After every note but the last: what a breath there would cost. */
function placesOf(tune: Tune, tempo: Tempo): readonly Place[] {
  const notes = performedNotes(tune);
  const seconds = secondsOfWhole(tempo);
  let openSlurs = 0;
  return notes.map((note, index): Place => {
    openSlurs += note.note.slurStarts - note.note.slurEnds;
    const beat = beatLength(tune.bars[note.barIndex]!.metre);
    const isLong = compare(note.length, add(beat, beat)) >= 0;
    const end = subtract(add(note.onset, note.length), isLong ? beat : ZERO);
    const next = notes[index + 1];
    return {
      note,
      ...placeCost(tune, note, next, openSlurs > 0),
      start: toNumber(note.onset) * seconds,
      end: toNumber(end) * seconds,
      isRest: next?.afterRest === true,
      alike: alikeAt(tune, lastWritten(tune, note)),
    };
  });
}

/** The bar of a note with the one before it and what comes next, and where in it the note stands. */
function alikeAt(tune: Tune, { barIndex, eventIndex }: { readonly barIndex: number; readonly eventIndex: number }) {
  const { bars } = tune.parts[0];
  const near = [bars[barIndex - 1], bars[barIndex], bars[barIndex + 1]?.slice(0, 1)];
  return `${eventIndex} ${near.map((events) => JSON.stringify(events?.map(written) ?? null)).join(' ')}`;
}

function written(event: TuneEvent): readonly unknown[] {
  return [event.kind === 'note' ? event.pitch : null, event.value];
}

function placeCost(
  tune: Tune,
  note: PerformedNote,
  next: PerformedNote | undefined,
  inSlur: boolean,
): Pick<Place, 'cost' | 'reasons' | 'isPhraseEnd' | 'isSentenceEnd'> {
  const { barIndex, eventIndex } = lastWritten(tune, note);
  const bar = tune.bars[barIndex]!;
  const events = tune.parts[0].bars[barIndex]!;
  const isBeforeRest = next?.afterRest === true;
  const place = isBeforeRest ? 'end' : phrasePlace(tune, barIndex, eventIndex);
  const isBarEnd = place === 'end';
  const beat = beatLength(bar.metre);
  const isLong = compare(note.length, add(beat, beat)) >= 0;
  const isShort = (each: PerformedNote | undefined): boolean => each !== undefined && compare(each.length, beat) < 0;
  const gap = isBeforeRest ? null : wordGaps(tune)[barIndex]![eventIndex]!;
  const isPause = gap === 'sentence-end' || gap === 'comma';
  let cost: number = COST.breath;
  const reasons: BreathReason[] = [];
  const attract = (size: number, why: BreathReason): void => {
    cost += size;
    reasons.push(why);
  };
  if (isBeforeRest) attract(COST.rest, 'rest');
  if (events[eventIndex]!.breath) attract(COST.marked, 'marked');
  // Where the words go on, the end of a bar says little.
  const barShare = gap === 'between-words' || gap === 'new-clause' ? 0.5 : 1;
  if (isBarEnd && (bar.lineEnd || bar.timesPlayed > 1)) attract(COST.lineEnd * barShare, 'line-end');
  else if (isBarEnd)
    attract((COST.barEnd + barsTogether(bar.number)) * barShare, eventIndex < events.length - 1 ? 'upbeat' : 'bar-end');
  if (isLong) {
    attract(compare(note.length, barLength(bar.metre)) >= 0 ? COST.wholeBarNote : COST.longNote, 'long-note');
  }
  if (inSlur) cost += COST.slur;
  if (place === 'upbeat' && !isPause) cost += COST.upbeat;
  if (!isPause && !endsOnBeat(tune, barIndex, eventIndex, beat)) cost += COST.insideBeat;
  if (!isBarEnd && !isLong && !isPause) cost += COST.insideBar;
  if (!isBarEnd && isShort(note) && isShort(next)) cost += COST.shortFigure;
  if (isPause) attract(WORD_COST[gap], 'words');
  else if (gap !== null) cost += WORD_COST[gap];
  const isPhraseEnd =
    gap === 'sentence-end' ||
    gap === 'comma' ||
    isBeforeRest ||
    isLong ||
    (isBarEnd && bar.lineEnd) ||
    next === undefined;
  return { cost, reasons, isPhraseEnd, isSentenceEnd: gap === 'sentence-end' };
}

/** Phrases are mostly of two bars, and of four. */
function barsTogether(number: number): number {
  if (number % 2 === 1) return 0;
  return COST.evenBar + (number % 4 === 0 ? COST.fourthBar : 0);
}

/**
 * Where a phrase can end in a bar: at its end; in a tune with a pickup so much before it as the pickup is long, for the
 * next phrase begins with an upbeat, too. Whether there is one shows in the bar: a note that sounds on through that
 * place closes the phrase at the bar line.
 */
function phrasePlace(tune: Tune, barIndex: number, eventIndex: number): 'end' | 'upbeat' | 'inside' {
  const full = barLength(tune.bars[barIndex]!.metre);
  const start = barStarts(tune)[0]!;
  const upbeat = start.num > 0 ? eventsLength(tune.parts[0].bars[0]!) : ZERO;
  const positions = positionsOf(tune)[barIndex]!;
  const here = positions[eventIndex]!;
  const isLast = eventIndex === positions.length - 1;
  if (upbeat.num === 0) return isLast ? 'end' : 'inside';
  const end = subtract(full, upbeat);
  const isRestNext = tune.parts[0].bars[barIndex + 1]?.[0]?.kind === 'rest';
  const isCut =
    tune.bars[barIndex]!.number === 0 || (!isRestNext && positions.some((position) => equal(position, end)));
  if (isCut && equal(here, end) && tune.bars[barIndex]!.number > 0) return 'end';
  if (!isLast) return compare(here, end) > 0 && isCut ? 'upbeat' : 'inside';
  return isCut && compare(here, full) >= 0 ? 'upbeat' : 'end';
}

function endsOnBeat(tune: Tune, barIndex: number, eventIndex: number, beat: Rational): boolean {
  const beats = divide(positionAfter(tune, barIndex, eventIndex), beat);
  return equal(beats, rational(floor(beats)));
}

/** Time of the bar that is over after an event; an upbeat is counted from the end of its bar. */
function positionAfter(tune: Tune, barIndex: number, eventIndex: number): Rational {
  return positionsOf(tune)[barIndex]![eventIndex]!;
}

const positions = new WeakMap<Tune, readonly (readonly Rational[])[]>();

function positionsOf(tune: Tune): readonly (readonly Rational[])[] {
  const known = positions.get(tune);
  if (known !== undefined) return known;
  const starts = barStarts(tune);
  const found = tune.parts[0].bars.map((events, barIndex) => {
    let now = starts[barIndex]!;
    return events.map((event) => (now = add(now, valueLength(event.value))));
  });
  positions.set(tune, found);
  return found;
}

/** The written note at which a tied note ends. */
function lastWritten(tune: Tune, note: PerformedNote): { readonly barIndex: number; readonly eventIndex: number } {
  const { bars } = tune.parts[0];
  let { barIndex, eventIndex } = note;
  for (;;) {
    const event = bars[barIndex]?.[eventIndex];
    if (event?.kind !== 'note' || !event.tied) return { barIndex, eventIndex };
    if (eventIndex + 1 < bars[barIndex]!.length) eventIndex += 1;
    else [barIndex, eventIndex] = [barIndex + 1, 0];
  }
}

/** Shortest path: `best[i]` is the least cost of all breaths up to and with one after note i. */
function cheapest(places: readonly Place[], most: number): readonly Place[] {
  const last = places.length - 1;
  const best: number[] = [];
  const from: number[] = [];
  for (let index = 0; index <= last; index++) {
    best[index] = Infinity;
    from[index] = -1;
    for (let before = index - 1; before >= -1; before--) {
      const start = places[before + 1]!.start;
      const length = places[index]!.end - start;
      const over = Math.max(0, length - most);
      const isTooFar = over > 0 && before < index - 1 && best[index]! < Infinity;
      if (isTooFar && over > most) break;
      const own = index === last ? 0 : places[index]!.cost;
      const bounds = tooLong(over, most, places[index]!) + tooShort(length, most, places[index]!);
      const cost = (before < 0 ? 0 : best[before]!) + own + bounds;
      if (cost < best[index]!) [best[index], from[index]] = [cost, before];
    }
  }
  const chosen: Place[] = [];
  for (let at = from[last] ?? -1; at >= 0; at = from[at]!) chosen.unshift(places[at]!);
  return chosen;
}

/** What it costs to breathe again so soon, by the seconds since the last breath. */
function tooShort(length: number, most: number, { isRest, isSentenceEnd }: Place): number {
  const gasping = Math.max(0, SHORT_SECONDS - length);
  const early = isRest || isSentenceEnd ? 0 : Math.max(0, most * EARLY - length);
  return gasping * COST.tooShortForEachSecond + early * COST.earlyForEachSecond;
}

/** What it costs to play on for longer than a breath, by seconds over it. */
function tooLong(over: number, most: number, { isPhraseEnd }: Place): number {
  const bent = isPhraseEnd ? Math.min(over, most * BEND) : 0;
  return bent * COST.bentForEachSecond + (over - bent) * COST.tooLongForEachSecond;
}

function breathAt(tune: Tune, barIndex: number, eventIndex: number, place: Place): Breath {
  const bar = tune.bars[barIndex]!;
  const beat = beatLength(bar.metre);
  const isLong = compare(place.note.length, add(beat, beat)) >= 0;
  return {
    afterBar: bar.number,
    afterBeat: Math.round(toNumber(divide(positionAfter(tune, barIndex, eventIndex), beat)) * 100) / 100,
    kind: place.isRest || isLong ? 'full' : 'small',
    barIndex,
    eventIndex,
    reasons: place.reasons,
  };
}
