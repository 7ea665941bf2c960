import {
  add,
  barLength,
  barStarts,
  beatLength,
  beatsInBar,
  compare,
  divide,
  eventsLength,
  isCompound,
  keyAlter,
  LETTERS,
  midiNumber,
  rational,
  toNumber,
  tonic,
  valueLength,
  ZERO,
  type Bar,
  type Key,
  type Mode,
  type Pitch,
  type Rational,
  type Tune,
} from '../music/index.ts';
import { chordOf, chordOn, type Chord } from './chords.ts';

/** A chord and where on the sheet it begins; it sounds until the next. */
export interface PlacedChord {
  readonly barIndex: number;
  /** From the start of the bar's events, in whole notes. */
  readonly offset: Rational;
  readonly chord: Chord;
}

/** Where the chords of a tune come from. */
export type HarmonySource = 'symbols' | 'rule' | 'drone';

export interface Harmony {
  readonly source: HarmonySource;
  /** In the order of the sheet, the first at the first full bar at the latest. */
  readonly chords: readonly PlacedChord[];
  /**
   * Strong-beat notes of the melody that are in their chord, or a non-chord note that is prepared; over a drone those
   * that are consonant with the keynote or with its fifth.
   */
  readonly strong: { readonly all: number; readonly explained: number };
}

/** A note of the melody on its own place. */
interface Sung {
  readonly barIndex: number;
  readonly offset: Rational;
  readonly length: Rational;
  /** Beats from one of the bar, an upbeat counted at its place. */
  readonly beat: Rational;
  readonly pitch: Pitch;
  /** Goes on from a tie: not struck here. */
  readonly held: boolean;
}

/** Chords from the symbols over the tune; where there are none, by rule, or a drone under a tune of five notes or of a church mode. */
export function harmonyOf(tune: Tune): Harmony {
  const sung = sungNotes(tune);
  const written = writtenChords(tune);
  const [source, chords] =
    written.length > 0
      ? (['symbols', written] as const)
      : takesDrone(tune, sung)
        ? (['drone', droneUnder(tune)] as const)
        : (['rule', chordsByRule(tune, sung)] as const);
  return { source, chords, strong: explained(tune, sung, chords, source) };
}

/** The events of the first part, each with its place on the sheet. */
function placedEvents(tune: Tune) {
  return tune.parts[0].bars.flatMap((events, barIndex) => {
    let next = ZERO;
    return events.map((event) => {
      const offset = next;
      next = add(next, valueLength(event.value));
      return { event, barIndex, offset };
    });
  });
}

function sungNotes(tune: Tune): readonly Sung[] {
  const starts = barStarts(tune);
  let held = false;
  return placedEvents(tune).flatMap(({ event, barIndex, offset }): Sung[] => {
    const isHeld = held;
    held = event.kind === 'note' && event.tied;
    if (event.kind === 'rest') return [];
    const beat = divide(add(starts[barIndex]!, offset), beatLength(tune.bars[barIndex]!.metre));
    return [{ barIndex, offset, beat, length: valueLength(event.value), pitch: event.pitch, held: isHeld }];
  });
}

/** The symbols of the sheet that name a chord; rests may carry them, too. */
function writtenChords(tune: Tune): readonly PlacedChord[] {
  return placedEvents(tune).flatMap(({ event, barIndex, offset }): PlacedChord[] => {
    const chord = event.chordSymbol === null ? null : chordOf(event.chordSymbol);
    return chord === null ? [] : [{ barIndex, offset, chord }];
  });
}

const CHURCH_MODES: ReadonlySet<Mode> = new Set(['dorian', 'phrygian', 'lydian', 'mixolydian', 'locrian']);
const SEMITONE = 1;

/** Five notes or fewer without a semitone between any two, or a church mode: chords would say more than the tune does. */
function takesDrone(tune: Tune, sung: readonly Sung[]): boolean {
  if (CHURCH_MODES.has(tune.bars[0]!.key.mode)) return true;
  const classes = [...new Set(sung.map(({ pitch }) => midiNumber(pitch) % 12))].toSorted((a, b) => a - b);
  if (classes.length < 4 || classes.length > 5) return false;
  return classes.every((each, index) => {
    const next = classes[index + 1] ?? classes[0]! + 12;
    return next - each > SEMITONE;
  });
}

function droneUnder(tune: Tune): readonly PlacedChord[] {
  const first = firstFullBar(tune);
  return [{ barIndex: first, offset: ZERO, chord: chordOn(tonic(tune.bars[0]!.key), '5') }];
}

function firstFullBar(tune: Tune): number {
  return tune.bars.length > 1 && tune.bars[0]!.number === 0 ? 1 : 0;
}

/** A chord that may be chosen, with what it costs beside how well it fits. */
interface Offer {
  readonly chord: Chord;
  readonly degree: number;
  readonly cost: number;
}

const LAST_DEGREE = 7;

/** Tonic, subdominant and dominant, and their relatives, of the key that the sheet names. */
function offersIn(key: Key): readonly Offer[] {
  const home = tonic(key);
  const on = (degree: number): Pick<Pitch, 'letter' | 'alter'> => {
    const letter = LETTERS[(LETTERS.indexOf(home.letter) + degree - 1) % LAST_DEGREE]!;
    return { letter, alter: keyAlter(key, letter) };
  };
  const offer = (degree: number, kind: '' | 'm' | '7', cost: number): Offer => ({
    chord: chordOn(on(degree), kind),
    degree,
    cost,
  });
  if (key.mode === 'minor')
    return [
      offer(1, 'm', 0),
      offer(4, 'm', 0.3),
      // The leading note is raised for the dominant, as it is heard.
      offer(5, '7', 0.3),
      offer(5, 'm', 0.6),
      offer(3, '', 0.7),
      offer(6, '', 0.6),
      offer(7, '', 0.6),
    ];
  return [
    offer(1, '', 0),
    offer(4, '', 0.3),
    offer(5, '', 0.25),
    offer(5, '7', 0.35),
    offer(6, 'm', 0.8),
    offer(2, 'm', 0.8),
    offer(3, 'm', 1.2),
  ];
}

/** Where one chord stands: a bar, or half of one in common time. */
interface Slot {
  readonly barIndex: number;
  readonly offset: Rational;
  readonly end: Rational;
  /** The first of its bar. */
  readonly isBar: boolean;
  readonly key: Key;
}

const FEW_BEATS = 4;

function slotsOf(tune: Tune): readonly Slot[] {
  const first = firstFullBar(tune);
  return tune.bars.flatMap((bar, barIndex): Slot[] => {
    if (barIndex < first) return [];
    const length = eventsLength(tune.parts[0].bars[barIndex]!);
    const half = halfOf(bar);
    const slot = (offset: Rational, end: Rational, isBar: boolean): Slot => ({
      barIndex,
      offset,
      end,
      isBar,
      key: bar.key,
    });
    if (half === null || compare(length, half) <= 0) return [slot(ZERO, length, true)];
    return [slot(ZERO, half, true), slot(half, length, false)];
  });
}

/** Half of a bar of four beats, where a second chord may come. */
function halfOf({ metre }: Pick<Bar, 'metre'>): Rational | null {
  if (metre.groups !== undefined || beatsInBar(metre) !== FEW_BEATS) return null;
  return divide(barLength(metre), rational(2));
}

const CADENCE_COST = 6;
const COST = { outside: 3, samePlace: 0.25, halfChange: 1.2, backFromDominant: 0.8, noCadence: 1.5, home: 1.5 };

/**
 * The chords that fit best, by dynamic programming over the bars: notes outside the chord cost by their weight, changes
 * inside a bar cost, and the tune begins and ends at home, by way of the dominant.
 */
function chordsByRule(tune: Tune, sung: readonly Sung[]): readonly PlacedChord[] {
  const slots = slotsOf(tune);
  if (slots.length === 0) return droneUnder(tune);
  let paths: { cost: number; chosen: readonly Offer[] }[] = [];
  for (const [index, slot] of slots.entries()) {
    const offers = offersIn(slot.key);
    const fits = offers.map((offer) => offer.cost + outsideCost(tune, sung, slot, offer.chord));
    const isLast = index === slots.length - 1;
    paths = offers.map((offer, at) => {
      const own = fits[at]! + (isLast && offer.degree !== 1 ? CADENCE_COST : 0);
      if (index === 0) return { cost: own + (offer.degree === 1 ? 0 : COST.home), chosen: [offer] };
      const before = paths
        .map((path) => ({ path, cost: path.cost + changeCost(path.chosen.at(-1)!, offer, slot, isLast) }))
        .reduce((best, each) => (each.cost < best.cost ? each : best));
      return { cost: before.cost + own, chosen: [...before.path.chosen, offer] };
    });
  }
  const { chosen } = paths.reduce((best, path) => (path.cost < best.cost ? path : best));
  return slots.flatMap(({ barIndex, offset }, index) => {
    const { chord } = chosen[index]!;
    return chosen[index - 1]?.chord.symbol === chord.symbol ? [] : [{ barIndex, offset, chord }];
  });
}

function changeCost(from: Offer, to: Offer, slot: Slot, isLast: boolean): number {
  const isSame = from.chord.symbol === to.chord.symbol;
  let cost = isSame && slot.isBar ? COST.samePlace : !isSame && !slot.isBar ? COST.halfChange : 0;
  if (from.degree === 5 && (to.degree === 4 || to.degree === 2)) cost += COST.backFromDominant;
  if (isLast && from.degree !== 5 && from.degree !== 4 && from.degree !== 1) cost += COST.noCadence;
  return cost;
}

/** What the notes of a slot that are not in the chord weigh: strong beats and long notes most, passing notes little. */
function outsideCost(tune: Tune, sung: readonly Sung[], slot: Slot, chord: Chord): number {
  return sung.reduce((sum, note, index) => {
    if (note.barIndex !== slot.barIndex) return sum;
    if (compare(note.offset, slot.offset) < 0 || compare(note.offset, slot.end) >= 0) return sum;
    if (chord.classes.includes(midiNumber(note.pitch) % 12)) return sum;
    const beats = toNumber(divide(note.length, beatLength(tune.bars[note.barIndex]!.metre)));
    const place = isStrong(tune, note) ? 2 : isOnBeat(note) ? 1 : 0.4;
    const prepared = isPrepared(sung, index) ? 0.5 : 1;
    return sum + COST.outside * place * prepared * Math.min(2, 0.5 + beats / 2);
  }, 0);
}

function isOnBeat({ beat }: Sung): boolean {
  return beat.den === 1;
}

/** The first beat of a bar, and the third of four; the half bar of 6/8. */
function isStrong(tune: Tune, { barIndex, beat }: Sung): boolean {
  if (beat.den !== 1) return false;
  const { metre } = tune.bars[barIndex]!;
  const beats = beatsInBar(metre);
  const place = beat.num % beats;
  return place === 0 || (beats === FEW_BEATS && place === 2) || (isCompound(metre) && beats === 2 && place === 1);
}

const STEP = 2;

/** Comes by step or stays where it was, and goes on by step: a passing note, a neighbour or a suspension. */
function isPrepared(sung: readonly Sung[], index: number): boolean {
  const [before, here, after] = [sung[index - 1], sung[index]!, sung[index + 1]];
  if (before === undefined || after === undefined) return false;
  const far = (other: Sung): number => Math.abs(midiNumber(other.pitch) - midiNumber(here.pitch));
  return far(before) <= STEP && far(after) <= STEP;
}

/** Semitones over a held note that agree with it. */
const CONSONANT: ReadonlySet<number> = new Set([0, 3, 4, 5, 7, 8, 9]);

function agrees(pitch: Pitch, chord: Chord, source: HarmonySource): boolean {
  const own = midiNumber(pitch) % 12;
  if (source !== 'drone') return chord.classes.includes(own);
  return chord.classes.some((held) => CONSONANT.has((own - held + 12) % 12));
}

function explained(
  tune: Tune,
  sung: readonly Sung[],
  chords: readonly PlacedChord[],
  source: HarmonySource,
): Harmony['strong'] {
  const strong = sung
    .map((note, index) => ({ note, index, chord: chordAt(chords, note) }))
    .filter(({ note, chord }) => !note.held && chord !== null && isStrong(tune, note));
  const good = strong.filter(({ note, index, chord }) => agrees(note.pitch, chord!, source) || isPrepared(sung, index));
  return { all: strong.length, explained: good.length };
}

/** The chord that sounds at a place of the sheet; null before the first. */
export function chordAt(
  chords: readonly PlacedChord[],
  { barIndex, offset }: { readonly barIndex: number; readonly offset: Rational },
): Chord | null {
  return (
    chords.findLast(
      (chord) => chord.barIndex < barIndex || (chord.barIndex === barIndex && compare(chord.offset, offset) <= 0),
    )?.chord ?? null
  );
}

/** Beat of the bar, counted from 1, at which a chord begins; an upbeat at its place. */
export function beatOfChord(tune: Tune, { barIndex, offset }: PlacedChord): number {
  const beats = divide(add(barStarts(tune)[barIndex]!, offset), beatLength(tune.bars[barIndex]!.metre));
  return Math.round((1 + toNumber(beats)) * 100) / 100;
}
