import type { PaperEngraver } from './engraver.ts';
import type { Letters } from './letters.ts';

/** What drawing needs, and where it says what did not fit. */
export interface Tools {
  readonly letters: Letters;
  readonly engraver: PaperEngraver;
  /** Of letters, against the usual ones: larger for who needs it. */
  readonly textScale: number;
  readonly warn: (sentence: string) => void;
}

/** What a block may fill, in points. */
export interface Room {
  readonly width: number;
  /** Of a page of its own. */
  readonly height: number;
}
