/** A note that is to be heard, in the order in which it is played. */
export interface ScoreNote {
  /** In quarter notes from the first note of the score's first bar line or its upbeat. */
  readonly onset: number;
  readonly duration: number;
  /** As it sounds on the pupil's instrument. */
  readonly midi: number;
  /** Whether a pupil who starts again may start here: a bar or a phrase begins. */
  readonly isStart: boolean;
}

export interface ListeningScore {
  readonly notes: readonly ScoreNote[];
  /** Quarter notes a minute that are asked for. */
  readonly tempo: number;
}
