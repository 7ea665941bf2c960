import type { Tune } from '../music/index.ts';

/** Something of a file that a Tune does not carry, so that nobody misses it unawares. */
export interface Notice {
  /** The bar as printed; null when it is about the whole file. */
  readonly bar: number | null;
  readonly message: string;
}

export interface ReadTune {
  readonly tune: Tune;
  readonly leftOut: readonly Notice[];
}

/** Why a file gives no tune, in a sentence for a teacher. */
export interface FormatFault {
  readonly bar: number | null;
  readonly message: string;
}
