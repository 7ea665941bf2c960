import type { Pitch } from '../music/index.ts';

/** Half covers both a pinched thumb hole and one of the two small holes of a double hole. */
export type HoleState = 'open' | 'half' | 'closed';

export type Finger = 'thumb' | 'index' | 'middle' | 'ring' | 'little';
export type Hand = 'left' | 'right';

export interface Hole {
  /** As printed on charts: 0 is the thumb hole. */
  readonly name: string;
  readonly hand: Hand;
  readonly finger: Finger;
  /** Two small holes under one finger. */
  readonly double: boolean;
}

/** One way to finger one written note. */
export interface Fingering {
  readonly pitch: Pitch;
  /** One state for each hole of the instrument, top to bottom. */
  readonly holes: readonly HoleState[];
  /** 1 for the low register; 2 for pinched thumb or more breath; 3 for more breath still. */
  readonly register: 1 | 2 | 3;
  /** What a teacher has to know: "cross fingering", "more breath"; empty when nothing. */
  readonly remark: string;
  /** False for an alternate of another fingering of the same note. */
  readonly primary: boolean;
}

export type Family = 'recorder' | 'whistle';

export interface Instrument {
  readonly id: string;
  readonly name: string;
  /** In few words, for lines with little room. */
  readonly shortName: string;
  readonly family: Family;
  /** Semitones from the written to the sounding pitch. */
  readonly soundsAbove: number;
  readonly holes: readonly Hole[];
  /** From low to high; the primary fingering of a note stands before its alternates. */
  readonly fingerings: readonly Fingering[];
  /** Notes for which makers give different fingerings. */
  readonly makersDiffer: readonly Pitch[];
  /** Where the chart comes from and what it takes for granted, for the teacher. */
  readonly source: string;
}
