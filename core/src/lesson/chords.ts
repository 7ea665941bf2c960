import { LETTERS, midiNumber, parsePitch, type Pitch } from '../music/index.ts';

/** A chord by its symbol, with the pitch classes that sound (0 for C). */
export interface Chord {
  /** "F#m7", "G/B"; "D5" for a drone of keynote and fifth. */
  readonly symbol: string;
  readonly root: number;
  /** The lowest note; the root unless the symbol says another. */
  readonly bass: number;
  readonly classes: readonly number[];
  /** Its notes as they are spelled, from the root up: "G", "B", "D". */
  readonly names: readonly string[];
}

/** What stands after the root, in semitones above it. The longest that fits is taken. */
const KINDS: readonly (readonly [RegExp, readonly number[]])[] = [
  [/^(maj|major|M)?$/, [0, 4, 7]],
  [/^(m|min|minor|-)$/, [0, 3, 7]],
  [/^(7|dom7)$/, [0, 4, 7, 10]],
  [/^(maj7|M7|\^7?|Δ7?)$/, [0, 4, 7, 11]],
  [/^(m7|min7|-7)$/, [0, 3, 7, 10]],
  [/^(6|maj6)$/, [0, 4, 7, 9]],
  [/^(m6|min6)$/, [0, 3, 7, 9]],
  [/^(9|dom9)$/, [0, 4, 7, 10, 2]],
  [/^(add9|add2|2)$/, [0, 2, 4, 7]],
  [/^(sus|sus4|4)$/, [0, 5, 7]],
  [/^sus2$/, [0, 2, 7]],
  [/^7sus4?$/, [0, 5, 7, 10]],
  [/^(5|power)$/, [0, 7]],
  [/^(dim|o|°)$/, [0, 3, 6]],
  [/^(dim7|o7|°7)$/, [0, 3, 6, 9]],
  [/^(m7b5|ø7?|half-diminished)$/, [0, 3, 6, 10]],
  [/^(aug|\+)$/, [0, 4, 8]],
];

/** The chord of a symbol as it stands over a tune; null for words that name no chord. */
export function chordOf(symbol: string): Chord | null {
  const match = /^([A-G])([#b♯♭]?)([^/]*)(?:\/([A-G])([#b♯♭]?))?$/.exec(symbol.trim());
  if (match === null) return null;
  const [, letter, sign, kind, bassLetter, bassSign] = match;
  const steps = KINDS.find(([pattern]) => pattern.test(kind!))?.[1];
  if (steps === undefined) return null;
  const root = classOf(letter!, sign!);
  return {
    symbol: symbol.trim(),
    root,
    bass: bassLetter === undefined ? root : classOf(bassLetter, bassSign!),
    classes: steps.map((step) => (root + step) % 12),
    names: steps.map((step) => spelled(letter!, (root + step) % 12, step)),
  };
}

/** Letters above the root's for each number of semitones: thirds, fifths and sevenths stand on their own lines. */
const LETTER_STEPS: readonly number[] = [0, 1, 1, 2, 2, 3, 4, 4, 4, 5, 6, 6];

function spelled(rootLetter: string, own: number, step: number): string {
  const letters: readonly string[] = LETTERS;
  const letter = letters[(letters.indexOf(rootLetter) + LETTER_STEPS[step]!) % letters.length]!;
  const away = ((own - classOf(letter, '') + 18) % 12) - 6;
  return letter + (away < 0 ? 'b'.repeat(-away) : '#'.repeat(away));
}

function classOf(letter: string, sign: string): number {
  const plain = sign.replace('♯', '#').replace('♭', 'b');
  return midiNumber(parsePitch(`${letter}${plain}4`)!) % 12;
}

/** A triad, or a triad with its seventh, on a root that is spelled. */
export function chordOn({ letter, alter }: Pick<Pitch, 'letter' | 'alter'>, kind: '' | 'm' | '7' | '5' | 'dim'): Chord {
  return chordOf(`${letter}${['b', '', '#'][alter + 1] ?? ''}${kind}`)!;
}
