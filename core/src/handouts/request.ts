import type { Instrument, Naming } from '../instruments/index.ts';
import { nameNote } from '../instruments/index.ts';
import {
  pitchName,
  type Counting,
  type Key,
  type LengthWords,
  type Pitch,
  type Sayings,
  type Tune,
} from '../music/index.ts';
import { NOTHING_KNOWN, type Knowledge } from '../reading/index.ts';
import type { PrintSize } from './sheet.ts';

export interface HandoutPupil {
  readonly name: string;
  readonly passedSteps: number;
  /** Belts that were passed and not handed out yet. */
  readonly beltsDue: readonly string[];
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
}

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
  /** An easier line of the same tune. */
  readonly easier: Tune | null;
  readonly schoolClass: HandoutClass;
  readonly size: PrintSize;
  /** How many tasks, cards or slips; null for what is usual. */
  readonly count: number | null;
  readonly options: TuneSheetOptions;
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
  ...{ names: 'first', counting: false, fingerings: false, words: true, breaths: true },
  ...{ form: true, shades: false, hardSpot: true, chords: false, twoToPage: false },
};

export const C_MAJOR: Key = { fifths: 0, mode: 'major' };

/** A note as the class says it. */
export function named(request: Pick<HandoutRequest, 'naming' | 'on'>, pitch: Pitch, key: Key = C_MAJOR): string {
  return nameNote(pitch, request.naming, key, request.on);
}

/** The notes and rhythms that the class has. */
export function knowledgeOf({ notes, elements }: Pick<HandoutRequest, 'notes' | 'elements'>): Knowledge {
  return { ...NOTHING_KNOWN, notes: new Set(notes.map(pitchName)), elements };
}

/** Why no sheet can be made, in a sentence for the teacher. */
export class NoHandout extends Error {}
