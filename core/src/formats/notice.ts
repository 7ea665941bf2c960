import type { Tune } from '../music/index.ts';
import { t } from './messages.ts';

/** A place in a text, both counted from 1. */
export interface TextPlace {
  readonly line: number;
  readonly column: number;
}

/** Something to tell about a file. An error says why it gives no tune, a notice what a Tune does not carry of it. */
export interface Notice {
  /** The bar as printed; null when it is about the whole file. */
  readonly bar: number | null;
  readonly message: string;
  /** Where in the text, for formats that people write by hand. */
  readonly at?: TextPlace;
}

export type FormatProblem = Notice;

/** A part that a file offers. A Tune takes one or two of them. */
export interface PartOffer {
  readonly index: number;
  readonly name: string;
  readonly notes: number;
}

export interface ReadTune {
  readonly tune: Tune;
  readonly leftOut: readonly Notice[];
  readonly parts: readonly PartOffer[];
  /** Titles of the tunes in the file, in order; one where there is no other. */
  readonly tunes: readonly string[];
}

export interface ReadOptions {
  /** Indices of the parts to take, one or two; without it the first, and a second of the same length. */
  readonly take?: readonly number[];
  /** Which tune of a file with several, from 0; the first without it. */
  readonly tune?: number;
}

const MOST_NOTICES = 60;

/** A file of another kind can leave out something at every note: so many are told, and how many more there are. */
export function shortened(notices: readonly Notice[]): readonly Notice[] {
  if (notices.length <= MOST_NOTICES) return notices;
  const more = notices.length - MOST_NOTICES;
  return [
    ...notices.slice(0, MOST_NOTICES),
    { bar: null, message: t('notice.left-out-more-more-like-these', { more }) },
  ];
}
