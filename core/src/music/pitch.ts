/** A written pitch: letter, alteration in semitones (sharp 1, flat -1), octave (middle C is C4). */
export interface Pitch {
  readonly letter: Letter;
  readonly alter: number;
  readonly octave: number;
}

export const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
export type Letter = (typeof LETTERS)[number];

const SEMITONES: Record<Letter, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const ALTERATIONS: ReadonlyMap<string, number> = new Map([
  ['', 0],
  ['#', 1],
  ['♯', 1],
  ['##', 2],
  ['b', -1],
  ['♭', -1],
  ['bb', -2],
]);

/** Reads scientific pitch: `F#4`, `Bb4`, `c5`. Anything else is `null`. */
export function parsePitch(text: string): Pitch | null {
  const match = /^([A-Ga-g])(##?|bb?|♯|♭)?(-?\d)$/.exec(text.trim());
  if (match === null) return null;
  const alter = ALTERATIONS.get(match[2] ?? '');
  if (alter === undefined) return null;
  return { letter: match[1]!.toUpperCase() as Letter, alter, octave: Number(match[3]) };
}

/**
 * For tables and tests, where a wrong name is a bug.
 * @throws RangeError when `text` is no pitch.
 */
export function pitch(text: string): Pitch {
  const parsed = parsePitch(text);
  if (parsed === null) throw new RangeError(`"${text}" is not a pitch such as F#4`);
  return parsed;
}

/** Plain spelling for keys, files and the terminal: `F#4`. */
export function pitchName(p: Pitch): string {
  return `${pitchClassName(p)}${p.octave}`;
}

/** The name without its octave: `Bb`. */
export function pitchClassName(p: Pitch): string {
  return p.letter + (p.alter < 0 ? 'b'.repeat(-p.alter) : '#'.repeat(p.alter));
}

/** Semitones in MIDI's count: C4 is 60. */
export function midiNumber(p: Pitch): number {
  return 12 * (p.octave + 1) + SEMITONES[p.letter] + p.alter;
}

/** Steps of the staff counted from C0; C4 is 28. Lines and spaces follow from it. */
export function staffStep(p: Pitch): number {
  return 7 * p.octave + LETTERS.indexOf(p.letter);
}

export function samePitch(a: Pitch, b: Pitch): boolean {
  return a.letter === b.letter && a.alter === b.alter && a.octave === b.octave;
}

/** Two spellings of one sound, such as A#4 and Bb4, are the same fingering. */
export function sameSound(a: Pitch, b: Pitch): boolean {
  return midiNumber(a) === midiNumber(b);
}

/** From low to high; spellings of one sound by their place on the staff. */
export function byHeight(a: Pitch, b: Pitch): number {
  return midiNumber(a) - midiNumber(b) || staffStep(a) - staffStep(b);
}

/**
 * Moves by an interval given as staff steps and semitones, so that the spelling stays right:
 * a major second up is (1, 2), a perfect fourth down is (-3, -5).
 */
export function transposePitch(p: Pitch, steps: number, semitones: number): Pitch {
  const step = staffStep(p) + steps;
  const letter = LETTERS[((step % 7) + 7) % 7]!;
  const natural: Pitch = { letter, alter: 0, octave: Math.floor(step / 7) };
  return { ...natural, alter: midiNumber(p) + semitones - midiNumber(natural) };
}
