import type { Letter } from '../music/index.ts';
import type { NoteUse } from './notes.ts';

/** One letter that a tune has in two ways, such as F and F sharp: the classic trap, since the sheet shows one line. */
export interface MixUp {
  readonly letter: Letter;
  /** From low to high, each with its bars. */
  readonly notes: readonly { readonly note: string; readonly bars: readonly number[] }[];
}

/** The letters that stand natural and altered in one tune, in whatever octave. */
export function mixUpsOf(notes: readonly NoteUse[]): readonly MixUp[] {
  const letters = [...new Set(notes.map(({ pitch }) => pitch.letter))];
  return letters.flatMap((letter): MixUp[] => {
    const same = notes.filter(({ pitch }) => pitch.letter === letter);
    if (new Set(same.map(({ pitch }) => pitch.alter)).size < 2) return [];
    return [{ letter, notes: same.map(({ name, bars }) => ({ note: name, bars })) }];
  });
}
