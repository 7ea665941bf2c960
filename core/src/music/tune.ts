import type { BeatsPerMinute, QuartersPerMinute } from '../units/index.ts';
import type { Key } from './key.ts';
import type { Metre } from './metre.ts';
import type { Pitch } from './pitch.ts';
import { toNumber, type Rational } from './rational.ts';
import type { NoteValue } from './value.ts';

export const ARTICULATIONS = ['staccato', 'accent', 'tenuto'] as const;
export type Articulation = (typeof ARTICULATIONS)[number];

export const DYNAMICS = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'] as const;
export type Dynamic = (typeof DYNAMICS)[number];

/** One syllable of one verse under one note. */
export interface Syllable {
  readonly text: string;
  /** `word` ends a word, `join` goes on with a hyphen, `hold` is sung over the following notes too. */
  readonly end: 'word' | 'join' | 'hold';
}

interface Common {
  readonly value: NoteValue;
  readonly fermata: boolean;
  readonly chordSymbol: string | null;
  readonly dynamic: Dynamic | null;
  /** A breath mark stands after this event. */
  readonly breath: boolean;
}

export interface Note extends Common {
  readonly kind: 'note';
  readonly pitch: Pitch;
  /** Offered in its place, for who has not learned it: either one or the other is played. */
  readonly or: Pitch | null;
  /** Tied to the next note: struck once. */
  readonly tied: boolean;
  readonly slurStarts: number;
  readonly slurEnds: number;
  readonly articulations: readonly Articulation[];
  /** Grace notes before it: shown and played short, and not counted. */
  readonly grace: readonly Pitch[];
  /** One entry a verse; null where the verse has no syllable here. */
  readonly syllables: readonly (Syllable | null)[];
}

export interface Rest extends Common {
  readonly kind: 'rest';
}

export type TuneEvent = Note | Rest;

export type Jump = 'D.C.' | 'D.C. al fine' | 'D.C. al coda' | 'D.S.' | 'D.S. al fine' | 'D.S. al coda';

/** What stands over a bar for all parts alike. */
export interface Bar {
  /** Counted from 1; a pickup is 0; the second half of a bar split by a repeat keeps the number. */
  readonly number: number;
  readonly key: Key;
  readonly metre: Metre;
  readonly repeatStart: boolean;
  /** How often the section that ends here is played; 1 when no repeat ends here. */
  readonly timesPlayed: number;
  /** The passes on which this bar is played, when it stands under an ending bracket. */
  readonly ending: readonly number[] | null;
  readonly segno: boolean;
  readonly coda: boolean;
  /** "To coda": left here on the way back. */
  readonly toCoda: boolean;
  readonly fine: boolean;
  /** Of a round: the voice that begins when the one before it has come to this bar; the first is 1. */
  readonly entry: number | null;
  readonly jump: Jump | null;
  readonly barline: 'single' | 'double' | 'final';
  /** A line of the sheet ends after this bar. */
  readonly lineEnd: boolean;
}

export interface Part {
  readonly name: string;
  /** One list of events for each bar of the tune. */
  readonly bars: readonly (readonly TuneEvent[])[];
}

export interface Tempo {
  /** The value that is counted, in whole notes. */
  readonly beat: Rational;
  readonly perMinute: BeatsPerMinute;
}

/** As MIDI and MusicXML count. */
export function quartersPerMinute({ beat, perMinute }: Tempo): QuartersPerMinute {
  return perMinute * toNumber(beat) * 4;
}

/** What a metronome beats, with room on both sides. */
export function isTempo(perMinute: number): boolean {
  return perMinute >= 5 && perMinute <= 600;
}

/** Immutable and checked: a Tune comes from `makeTune` and keeps what it promises. */
export interface Tune {
  readonly title: string;
  /** What it is called elsewhere: teachers search for these, too. */
  readonly otherTitles: readonly string[];
  readonly composer: string;
  readonly source: string;
  readonly licence: string;
  readonly tags: readonly string[];
  readonly tempo: Tempo | null;
  readonly bars: readonly Bar[];
  /** One melody, or two for a duet. */
  readonly parts: readonly [Part, ...Part[]];
}

/** Whether anything is sung to it. */
export function hasWords({ parts }: Pick<Tune, 'parts'>): boolean {
  return parts[0].bars.some((bar) => bar.some((event) => event.kind === 'note' && event.syllables.length > 0));
}

export const PLAIN_BAR: Omit<Bar, 'number' | 'key' | 'metre'> = {
  repeatStart: false,
  timesPlayed: 1,
  ending: null,
  segno: false,
  coda: false,
  toCoda: false,
  fine: false,
  entry: null,
  jump: null,
  barline: 'single',
  lineEnd: false,
};

export const PLAIN_NOTE: Omit<Note, 'value' | 'pitch'> = {
  kind: 'note',
  fermata: false,
  chordSymbol: null,
  dynamic: null,
  breath: false,
  or: null,
  tied: false,
  slurStarts: 0,
  slurEnds: 0,
  articulations: [],
  grace: [],
  syllables: [],
};

export const PLAIN_REST: Omit<Rest, 'value'> = {
  kind: 'rest',
  fermata: false,
  chordSymbol: null,
  dynamic: null,
  breath: false,
};
