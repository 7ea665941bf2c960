/** Points: 72 are an inch. */
export const PAPERS = {
  a4: { name: 'A4', width: 595.28, height: 841.89 },
  letter: { name: 'Letter', width: 612, height: 792 },
} as const;
export type PaperName = keyof typeof PAPERS;

/** Where a child holds the sheet, or where it is filed. */
export type HoldingSide = 'none' | 'left' | 'right';

const MARGIN = 42;
const HOLDING = 26;
const FOOT = 18;

/** The page and the room on it, in points. */
export interface Paper {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export function paperOf(name: PaperName, wide: boolean, holding: HoldingSide = 'none'): Paper {
  const size = PAPERS[name];
  const [width, height] = wide ? [size.height, size.width] : [size.width, size.height];
  return {
    width,
    height,
    top: MARGIN,
    bottom: height - MARGIN - FOOT,
    left: MARGIN + (holding === 'left' ? HOLDING : 0),
    right: width - MARGIN - (holding === 'right' ? HOLDING : 0),
  };
}
