import type { Letter } from '../music/index.ts';

/** A colour for each letter, `#rrggbb`: heads, charts and sheets show it beside the letter, never instead of it. */
export type NoteColours = Readonly<Record<Letter, string>>;

/** From warm to cool along the scale; all of them dark enough to be read on white. */
export const USUAL_COLOURS: NoteColours = {
  C: '#8f2f2a',
  D: '#9a4a0c',
  E: '#75620a',
  F: '#3f6b1f',
  G: '#0d6b66',
  A: '#28508f',
  B: '#6d3a83',
};

/** What shapes on white need, so that everybody can tell them from it (WCAG 2.2, 1.4.11). */
export const LEAST_CONTRAST = 3;

/** Contrast of a colour with white, from 1 to 21 (WCAG 2.2, relative luminance). */
export function contrastWithWhite(colour: string): number {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 1.05 / (0.2126 * red! + 0.7152 * green! + 0.0722 * blue! + 0.05);
}
