/**
 * From where on a thing is said of a recording. Where no source is named, the number is what 80 recordings with known
 * faults, and Escalier's own set (`testing/recordings.ts`), tell apart without a mistake.
 */
export const THRESHOLDS = {
  /** Share of what was heard and left out that is amiss from which it is another tune, or no tune. */
  unlike: 0.5,
  /** Fewer notes are no playing. */
  leastNotes: 3,
  /** How well the notes explain the sound in the middle; under it talk or noise is louder than the pupil. */
  clearEnough: 0.5,
  /** Slips with which a tune is nearly passed. */
  nearlySlips: 2,
  /** Slips that a class which asks for playing on without a stop overlooks, where the step says nothing. */
  overlooked: 2,
  /** Seconds of a stop that a class which asks for right notes overlooks. */
  shortStop: 3,
  /** A tempo this much under the asked one is too slow: smaller differences are hardly heard (Drake and Botte 1993: 2 to 6 %). */
  tooSlow: 0.94,
  /** Tempo at the end against the start from which it rushes or drags: twice what a listener just notices (same source). */
  drift: 0.12,
  /** Cents that a note may lie over the rest before it is blown too hard, or under it too softly. */
  sharp: 22,
  flat: 28,
  /** Cents within which the middle half of a steady note stays, of one with a leak not. */
  wavers: 10,
  /** Notes that must show it before breath or a leak is spoken of; one may be chance. */
  leastShown: 2,
  /** Cents that an instrument is off A 440 before it is worth saying: a class hears 20 together (ISO 16; Moore 2012). */
  outOfTune: 20,
} as const;

/** From where on a held note is said to be something, in the sound check. */
export const SOUND_CHECK = {
  /** Seconds that it must sound. */
  leastSeconds: 0.6,
  /** Seconds after its start that are left out: every note begins with a chiff. */
  settling: 0.12,
  /** Cents over and under which breath is too strong or too weak. A recorder rises about 20 cents for half as much again of pressure (Fletcher and Rossing, 1998). */
  sharp: 25,
  flat: 30,
  /** Cents between the quarters of its readings from which it wobbles. */
  wobble: 14,
  /** Share of the readings on another note from which it breaks. */
  breaks: 0.12,
} as const;
