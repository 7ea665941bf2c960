import {
  add,
  barStarts,
  beatLength,
  beatsInBar,
  compare,
  countInLength,
  eventsLength,
  isCompound,
  multiply,
  performanceOrder,
  quartersPerMinute,
  rational,
  subtract,
  toNumber,
  ZERO,
  type Metre,
  type Rational,
  type Tune,
} from '../music/index.ts';
import { DEFAULT_TEMPO } from '../reading/index.ts';
import type { Chord } from './chords.ts';
import { chordAt, harmonyOf, type Harmony } from './harmony.ts';
import { patternOf, type FeelId, type Hit } from './feels.ts';

export type BackingVoice = 'bass' | 'chord' | 'drum';

/** A note of the backing; times in whole notes from the start of the tune, before it for the count-in. */
export interface BackingNote {
  readonly voice: BackingVoice;
  /** MIDI number; of a drum its place in General MIDI’s set. */
  readonly midi: number;
  readonly onset: Rational;
  readonly length: Rational;
  /** 0 to 1. */
  readonly strength: number;
}

export interface Backing {
  readonly feel: FeelId;
  /** Feels that go with the tune, the one that fits best first. */
  readonly feels: readonly FeelId[];
  readonly harmony: Harmony;
  /** With repeats played out; the last bar is held. */
  readonly notes: readonly BackingNote[];
  /** A bar in the feel, and what a pickup leaves of the bar that it begins in. */
  readonly countIn: { readonly length: Rational; readonly notes: readonly BackingNote[] };
}

const CALM_TEMPO = 76;
const CALM_TAGS: ReadonlySet<string> = new Set(['calm', 'lullaby', 'sad', 'slow']);

/** The feels that go with a tune's metre, the one that its tempo and mood ask for first. */
export function feelsOf(tune: Tune, harmony: Pick<Harmony, 'source'>): readonly FeelId[] {
  const { metre } = tune.bars[0]!;
  const quarters = quartersPerMinute(tune.tempo ?? DEFAULT_TEMPO);
  const perMinute = quarters / (4 * toNumber(beatLength(metre)));
  const calm = perMinute < CALM_TEMPO || tune.tags.some((tag) => CALM_TAGS.has(tag));
  const byMetre = feelsByMetre(metre, calm);
  return harmony.source === 'drone' ? ['drone', ...byMetre] : [...byMetre, 'drone'];
}

function feelsByMetre(metre: Metre, calm: boolean): readonly FeelId[] {
  if (isCompound(metre)) return calm ? ['lullaby', 'jig'] : ['jig', 'lullaby'];
  const beats = beatsInBar(metre);
  if (metre.groups !== undefined || ![2, 3, 4].includes(beats)) return ['ballad'];
  if (beats === 3) return calm ? ['lullaby', 'waltz', 'ballad'] : ['waltz', 'lullaby', 'ballad'];
  return calm ? ['ballad', 'lullaby', 'march', 'off-beat'] : ['march', 'off-beat', 'ballad', 'lullaby'];
}

/** A backing for a tune: bass, chords and light percussion, counted in, ending with the tune. */
export function backingOf(tune: Tune, wish?: FeelId): Backing {
  const harmony = harmonyOf(tune);
  const feels = feelsOf(tune, harmony);
  const feel = wish ?? feels[0]!;
  return { feel, feels, harmony, notes: notesOf(tune, feel, harmony), countIn: countInOf(tune, feel) };
}

function notesOf(tune: Tune, feel: FeelId, { chords }: Harmony): readonly BackingNote[] {
  const starts = barStarts(tune);
  const order = performanceOrder(tune);
  let now = ZERO;
  return order.flatMap((barIndex, place): readonly BackingNote[] => {
    const bar = tune.bars[barIndex]!;
    const [onset, start] = [now, starts[barIndex]!];
    const length = eventsLength(tune.parts[0].bars[barIndex]!);
    now = add(now, length);
    if (bar.number === 0) return [];
    const soundsFor = (at: Rational): Chord | null => chordAt(chords, { barIndex, offset: at });
    const beat = beatLength(bar.metre);
    if (place === order.length - 1) return ending(soundsFor(ZERO), soundsFor(length), onset, length);
    return patternOf(feel, bar.metre).flatMap((hit): readonly BackingNote[] => {
      const at = subtract(multiply(hit.at, beat), start);
      if (compare(at, ZERO) < 0 || compare(at, length) >= 0) return [];
      const left = subtract(length, at);
      const wanted = multiply(hit.length, beat);
      const sounds = compare(wanted, left) > 0 ? left : wanted;
      return played(hit, soundsFor(at), soundsFor(ZERO), add(onset, at), sounds);
    });
  });
}

/** Bass from E, chords from the E above it: under every recorder and whistle. */
const LOWEST = { bass: 40, chord: 52 };

function inReach(classOf: number, lowest: number): number {
  return lowest + ((classOf - lowest + 1200) % 12);
}

function played(
  hit: Hit,
  chord: Chord | null,
  ofBar: Chord | null,
  onset: Rational,
  length: Rational,
): readonly BackingNote[] {
  const note = (voice: BackingVoice, midi: number): BackingNote => ({
    voice,
    midi,
    onset,
    length,
    strength: hit.strength,
  });
  if (hit.voice === 'drum') return [note('drum', hit.drum)];
  if (chord === null) return [];
  if (hit.voice === 'bass') {
    // Where the chord has changed inside the bar the bass says so.
    const fifth = chord.classes.find((each) => (each - chord.root + 12) % 12 === 7);
    const takesFifth = hit.tone === 'fifth' && ofBar?.symbol === chord.symbol && chord.bass === chord.root;
    return [note('bass', inReach(takesFifth ? (fifth ?? chord.bass) : chord.bass, LOWEST.bass))];
  }
  const voices = chord.classes.map((each) => inReach(each, LOWEST.chord)).toSorted((a, b) => a - b);
  if (hit.voice === 'chord') return voices.map((midi) => note('chord', midi));
  return [note('chord', voices[hit.step % voices.length]!)];
}

const END_STRENGTH = 0.7;
const END_DRUM = 36;

/** The last bar: its last chord is held to the end of the tune. */
function ending(first: Chord | null, last: Chord | null, onset: Rational, length: Rational): readonly BackingNote[] {
  const chord = last ?? first;
  if (chord === null) return [];
  const held = { onset, length, strength: END_STRENGTH };
  return [
    { ...held, voice: 'bass', midi: inReach(chord.bass, LOWEST.bass) },
    ...chord.classes.map((each): BackingNote => ({ ...held, voice: 'chord', midi: inReach(each, LOWEST.chord) })),
    { ...held, voice: 'drum', midi: END_DRUM, length: rational(1, 16) },
  ];
}

const BLOCK = { strong: 76, weak: 77, length: rational(1, 16), strength: 0.8 };

/** Wood blocks on the beats, over the feel’s own percussion: full bar before a pickup. */
function countInOf(tune: Tune, feel: FeelId): Backing['countIn'] {
  const { metre } = tune.bars[0]!;
  const length = countInLength(tune);
  const beat = beatLength(metre);
  const notes: BackingNote[] = [];
  for (let count = 0; ; count++) {
    const at = multiply(beat, rational(count));
    if (compare(at, length) >= 0) break;
    const midi = count % beatsInBar(metre) === 0 ? BLOCK.strong : BLOCK.weak;
    notes.push({ voice: 'drum', midi, onset: subtract(at, length), length: BLOCK.length, strength: BLOCK.strength });
  }
  for (const hit of patternOf(feel, metre))
    if (hit.voice === 'drum') {
      const onset = subtract(multiply(hit.at, beat), length);
      notes.push({ voice: 'drum', midi: hit.drum, onset, length: BLOCK.length, strength: hit.strength / 2 });
    }
  return { length, notes };
}
