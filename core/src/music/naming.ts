import { keyAlter, scaleDegree, type Key } from './key.ts';
import type { Letter, Pitch } from './pitch.ts';

/** The schools of naming that need the pitch and key only; finger counts need an instrument. */
export const PITCH_NAMINGS = ['letters', 'german-letters', 'fixed-do', 'fixed-do-si', 'movable-do', 'degrees'] as const;
export type PitchNaming = (typeof PITCH_NAMINGS)[number];

const FIXED_DO: Record<Letter, string> = { C: 'do', D: 're', E: 'mi', F: 'fa', G: 'sol', A: 'la', B: 'ti' };

/** Raised and lowered syllables of movable do, in the usual chromatic set. */
const MOVABLE: readonly (readonly [lowered: string, plain: string, raised: string])[] = [
  ['de', 'do', 'di'],
  ['ra', 're', 'ri'],
  ['me', 'mi', 'mis'],
  ['fe', 'fa', 'fi'],
  ['se', 'so', 'si'],
  ['le', 'la', 'li'],
  ['te', 'ti', 'tis'],
];

/** What a child says for the note, in one school of naming. */
export function namePitch(p: Pitch, naming: PitchNaming, key: Key): string {
  switch (naming) {
    case 'letters':
      return p.letter + sign(p.alter);
    case 'german-letters':
      return germanName(p);
    case 'fixed-do':
      return FIXED_DO[p.letter] + sign(p.alter);
    case 'fixed-do-si':
      return (p.letter === 'B' ? 'si' : FIXED_DO[p.letter]) + sign(p.alter);
    case 'movable-do':
      return movableDo(p, key);
    case 'degrees':
      return sign(p.alter - keyAlter(key, p.letter)) + String(scaleDegree(key, p.letter));
  }
}

function sign(alter: number): string {
  if (alter === 0) return '';
  return alter > 0 ? '♯'.repeat(alter) : '♭'.repeat(-alter);
}

/** B natural is H and B flat is B; sharps add "is", flats "es", with Es, Eses, As and Asas shortened; B double flat is Heses. */
function germanName({ letter, alter }: Pitch): string {
  if (letter === 'B' && alter === -1) return 'B';
  const natural = letter === 'B' ? 'H' : letter;
  if (alter >= 0) return natural + 'is'.repeat(alter);
  if (letter === 'A') return 'As' + 'as'.repeat(-alter - 1);
  return letter === 'E' ? `Es${'es'.repeat(-alter - 1)}` : natural + 'es'.repeat(-alter);
}

/** The relative major's tonic is do, so that in minor the tonic is la. */
function movableDo(p: Pitch, key: Key): string {
  const major: Key = { fifths: key.fifths, mode: 'major' };
  const place = MOVABLE[scaleDegree(major, p.letter) - 1]!;
  const raised = p.alter - keyAlter(key, p.letter);
  return place[Math.max(-1, Math.min(1, raised)) + 1]!;
}
