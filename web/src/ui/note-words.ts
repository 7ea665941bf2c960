import { nameNote, type Instrument, type Naming } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';

/** "F♯", with an apostrophe for each octave above the first: "C′". Other text comes back as it is. */
export function noteWords(name: string): string {
  const match = /^([A-G])(##?|bb?)?(\d)$/.exec(name);
  if (match === null) return name;
  const [, letter, sign = '', octave] = match;
  const shown = sign.replaceAll('#', '♯').replaceAll('b', '♭');
  return `${letter}${shown}${Number(octave) >= 5 ? '′'.repeat(Number(octave) - 4) : ''}`;
}

/** Note names within a sentence of the core, as they are said in class: "A4 to E4" is "A to E". */
export function withNoteNames(sentence: string): string {
  return sentence.replace(/\b[A-G](?:##?|bb?)?\d(?!\d)/g, noteWords);
}

/** These need no key; the others are said by letters where no tune is at hand. */
const KEYLESS: ReadonlySet<Naming> = new Set(['german-letters', 'fixed-do', 'fixed-do-si', 'finger-count']);

/** A note as a class names it. */
export function noteWordsIn(name: string, naming: Naming, instrument: Instrument | null): string {
  if (instrument === null || !KEYLESS.has(naming)) return noteWords(name);
  return nameNote(pitch(name), naming, { fifths: 0, mode: 'major' }, instrument);
}
