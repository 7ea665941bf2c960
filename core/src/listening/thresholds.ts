/**
 * From where on a thing is said of a recording. Where no source is named, the number was chosen on made recordings whose
 * faults are known (`testing/recordings.ts`).
 */
export const THRESHOLDS = {
  /** Cents off at which a note is another one; where the middle half of its pitch wavers by `waver` it may be further off. */
  another: { steady: 60, wavering: 80, waver: 6 },
  /** A stop is so much longer than the music asks for. */
  stop: { seconds: 0.4, beats: 0.55 },
  /** Seconds that a squeak lasts at the most, semitones that it lies over its neighbours, and seconds to the note that it tears. */
  squeak: { longest: 0.16, above: 7, torn: 0.06 },
  /** A dip where a repeated note is due is a soft tongue. */
  softTongue: { dB: 3, seconds: 0.1 },
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
  /** Cents that an instrument is off A 440 before it is worth saying; A 440 is the pitch of ISO 16. */
  outOfTune: 20,
} as const;

/** From where on a held note is said to be something, in the sound check. */
export const SOUND_CHECK = {
  /** Seconds that it must sound. */
  leastSeconds: 0.6,
  /** Seconds after its start that are left out: every note begins with a chiff. */
  settling: 0.12,
  /** Cents over and under which breath is too strong or too weak. A recorder's pitch rises and falls with the breath's pressure (Fletcher and Rossing, The Physics of Musical Instruments, 1998). */
  sharp: 25,
  flat: 30,
  /** Cents between the quarters of its readings from which it wobbles. */
  wobble: 14,
  /** Share of the readings on another note from which it breaks. */
  breaks: 0.12,
} as const;
