import { nameNote, type Instrument, type Naming } from '../instruments/index.ts';
import {
  pitch,
  pitchName,
  type Counting,
  type Key,
  type LengthWords,
  type Pitch,
  type Sayings,
  type Tune,
} from '../music/index.ts';
import type { Holding, Posture } from '../practice/index.ts';
import { DEFAULT_BREATH_SECONDS, NOTHING_KNOWN, type Knowledge } from '../reading/index.ts';
import type { Seconds } from '../units/index.ts';
import { sayNote, type SubstituteLine } from '../words/index.ts';
import type { LetterId } from './letters.ts';
import type { EventPlace, PrintSize } from './sheet.ts';

export interface HandoutPupil {
  readonly name: string;
  /** Indexes of the steps that were passed, in order. */
  readonly passed: readonly number[];
  /** Belts that were passed and not handed out yet. */
  readonly beltsDue: readonly string[];
  /** Of the instrument on loan; null for none. */
  readonly instrumentNumber: number | null;
}

export interface HandoutStep {
  readonly title: string;
  readonly belt: string;
  readonly lessons: number;
  readonly rise: number;
  readonly newNotes: readonly string[];
  readonly tempo: number;
  readonly tune: Tune | null;
  readonly breathing: Breathing;
}

/** Where a class breathes in a tune. */
export interface Breathing {
  /** The most that one breath carries. */
  readonly seconds: Seconds;
  /** The teacher's own places; null for those that are proposed. */
  readonly kept: readonly EventPlace[] | null;
}

export const USUAL_BREATHING: Breathing = { seconds: DEFAULT_BREATH_SECONDS, kept: null };

/** What class papers need to know. */
export interface HandoutClass {
  readonly name: string;
  readonly school: string;
  readonly teacher: string;
  readonly pupils: readonly HandoutPupil[];
  readonly steps: readonly HandoutStep[];
  /** Of the class, counted from 0. */
  readonly classStep: number;
  /** In the school's words. */
  readonly cautions: readonly string[];
  /** The next lesson, for somebody who does not play. */
  readonly lesson: readonly SubstituteLine[];
}

/** What a handout is made of. A kind takes what it needs. */
export interface HandoutRequest {
  readonly seed: number;
  readonly on: Instrument;
  /** From low to high. */
  readonly notes: readonly Pitch[];
  readonly naming: Naming;
  readonly counting: Counting | null;
  readonly sayings: Sayings;
  readonly lengthWords: LengthWords;
  /** Rhythm elements that the class knows. */
  readonly elements: ReadonlySet<string>;
  readonly tune: Tune | null;
  readonly breathing: Breathing;
  /** An easier line of the same tune. */
  readonly easier: Tune | null;
  readonly schoolClass: HandoutClass;
  readonly size: PrintSize;
  /** How many tasks, cards or slips; null for what is usual. */
  readonly count: number | null;
  readonly options: TuneSheetOptions;
  readonly posture: Posture;
  readonly holding: Holding;
  readonly letter: LetterId;
  /** Own words of a letter or certificate, with fields such as {class}; null for the usual ones. */
  readonly words: string | null;
}

export interface TuneSheetOptions {
  /** Names under the notes, lines for them, or nothing. */
  readonly names: 'full' | 'first' | 'blank' | 'none';
  readonly counting: boolean;
  readonly fingerings: boolean;
  readonly words: boolean;
  readonly breaths: boolean;
  readonly form: boolean;
  readonly shades: boolean;
  readonly hardSpot: boolean;
  readonly chords: boolean;
  readonly twoToPage: boolean;
}

export const USUAL_OPTIONS: TuneSheetOptions = {
  names: 'first',
  counting: false,
  fingerings: false,
  words: true,
  breaths: true,
  form: true,
  shades: false,
  hardSpot: true,
  chords: false,
  twoToPage: false,
};

const C_MAJOR: Key = { fifths: 0, mode: 'major' };

type Names = Pick<HandoutRequest, 'naming' | 'on' | 'tune'>;

/** A note as the class says it; where its name hangs on a key, in that of the tune. */
export function named({ naming, on, tune }: Names, note: Pitch): string {
  return nameNote(note, naming, tune?.bars[0]?.key ?? C_MAJOR, on);
}

/** The same within a sentence: "F sharp", "low D". @param name such as F#4. */
export function said(request: Names, name: string): string {
  return request.naming === 'letters' ? sayNote(name) : named(request, pitch(name));
}

/** The notes and rhythms that the class has. */
export function knowledgeOf({ notes, elements }: Pick<HandoutRequest, 'notes' | 'elements'>): Knowledge {
  return { ...NOTHING_KNOWN, notes: new Set(notes.map(pitchName)), elements };
}

/** Why no sheet can be made, in a sentence for the teacher. */
export class NoHandout extends Error {}
