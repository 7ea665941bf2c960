/** What a tune is for at its step: the one all play, one that may be played instead, an easier line of it, or one for those ahead. */
export const TUNE_ROLES = ['main', 'choice', 'easier', 'extra'] as const;
export type TuneRole = (typeof TUNE_ROLES)[number];

/** A tune for those ahead is on top: passing it does not pass the step. */
export function countsForPassing(role: TuneRole): boolean {
  return role !== 'extra';
}

/** What a teacher looks for when the step is passed. */
export const LOOK_FOR = ['hands', 'tongue', 'beat'] as const;
export type LookFor = (typeof LOOK_FOR)[number];

/** What passing a step means, beside playing its tune. */
export interface StepPassRule {
  /** Beats a minute at least; null when any tempo will do. */
  readonly tempo: number | null;
  /** Slips at most; null when that is for the teacher to say. */
  readonly slips: number | null;
  readonly lookFor: readonly LookFor[];
}

export const ANY_WAY: StepPassRule = { tempo: null, slips: null, lookFor: [] };
