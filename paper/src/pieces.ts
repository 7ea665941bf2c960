import { INK, type Face, type Mark } from './marks.ts';
import type { Letters } from './letters.ts';

/** A part of a sheet that is never broken: marks from its own upper left corner. */
export interface Piece {
  readonly height: number;
  readonly marks: readonly Mark[];
  /** Not the last on a page. */
  readonly keepWithNext: boolean;
  /** For a word about what does not fit. */
  readonly what: string;
}

export const piece = (what: string, height: number, marks: readonly Mark[], keepWithNext = false): Piece => ({
  what,
  height,
  marks,
  keepWithNext,
});

export const gap = (height: number): Piece => piece('', height, []);

const LINE = 1.32;

interface Words {
  readonly face: Face;
  readonly size: number;
  readonly colour?: string;
  readonly align?: 'left' | 'middle';
}

/** A text broken into lines of the width, from the top down. */
export function paragraph(
  letters: Letters,
  text: string,
  width: number,
  words: Words,
): { readonly marks: readonly Mark[]; readonly height: number } {
  const { face, size, colour = INK, align = 'left' } = words;
  const lines = text === '' ? [] : letters.lines(text, face, size, width);
  const marks = lines.map((line, index): Mark => {
    const x = align === 'middle' ? (width - letters.width(line, face, size)) / 2 : 0;
    return { kind: 'text', x, y: size * (0.98 + index * LINE), text: line, face, size, colour };
  });
  return { marks, height: lines.length * size * LINE };
}

/** The largest size at which a text has no more than so many lines of the width; null when even the least is too large. */
export function fitting(
  letters: Letters,
  text: string,
  face: Face,
  {
    width,
    lines,
    most,
    least,
  }: { readonly width: number; readonly lines: number; readonly most: number; readonly least: number },
): number | null {
  for (let size = most; size >= least; size -= 0.5) {
    const broken = letters.lines(text, face, size, width);
    if (broken.length <= lines && broken.every((each) => letters.width(each, face, size) <= width)) return size;
  }
  return null;
}
