import { LETTERS, transposePitch, type Letter, type Pitch } from './pitch.ts';

export const MODES = ['major', 'minor', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'locrian'] as const;
export type Mode = (typeof MODES)[number];

/** A key signature: sharps (positive) or flats (negative), and the mode that names the tonic. */
export interface Key {
  readonly fifths: number;
  readonly mode: Mode;
}

const SHARP_ORDER: readonly Letter[] = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];

/** How many fifths above the major tonic with the same signature a mode's tonic stands. */
const TONIC_FIFTHS: Record<Mode, number> = {
  lydian: -1,
  major: 0,
  mixolydian: 1,
  dorian: 2,
  minor: 3,
  phrygian: 4,
  locrian: 5,
};

/** The letters that the signature changes, in the order in which they are written. */
export function alteredLetters(key: Key): readonly Letter[] {
  const count = Math.abs(key.fifths);
  return key.fifths >= 0 ? SHARP_ORDER.slice(0, count) : [...SHARP_ORDER].reverse().slice(0, count);
}

/** 1, 0 or -1 semitones: what the signature does to a letter. */
export function keyAlter(key: Key, letter: Letter): number {
  return alteredLetters(key).includes(letter) ? Math.sign(key.fifths) : 0;
}

/** The tonic as a pitch in octave 4. */
export function tonic(key: Key): Pitch {
  const fifths = key.fifths + TONIC_FIFTHS[key.mode];
  const start: Pitch = { letter: 'C', alter: 0, octave: 4 };
  return { ...transposePitch(start, 4 * fifths, 7 * fifths), octave: 4 };
}

/** The signature of a mode on a tonic, or null when it would need more than seven signs. */
export function keyOn(tonicLetter: Letter, tonicAlter: number, mode: Mode): Key | null {
  const place = SHARP_ORDER.indexOf(tonicLetter) - 1 + 7 * tonicAlter;
  const fifths = place - TONIC_FIFTHS[mode];
  return Math.abs(fifths) > 7 ? null : { fifths, mode };
}

export function sameKey(a: Key, b: Key): boolean {
  return a.fifths === b.fifths && a.mode === b.mode;
}

/** "D major", "E flat minor": as it is said. */
export function keyName(key: Key): string {
  const { letter, alter } = tonic(key);
  const sign = ['flat', '', 'sharp'][alter + 1] ?? '';
  return `${letter} ${sign === '' ? '' : `${sign} `}${key.mode}`;
}

/** 1 to 7: the place of a letter in the key's scale. */
export function scaleDegree(key: Key, letter: Letter): number {
  const from = LETTERS.indexOf(tonic(key).letter);
  return ((LETTERS.indexOf(letter) - from + 7) % 7) + 1;
}
