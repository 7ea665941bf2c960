/** Quantities that must not be taken for each other, although all of them are numbers or texts. */

/**
 * A calendar day without a time, `2026-11-25`. Local dates stay dates: no time zone can move them, and a moment cannot
 * be taken for one.
 */
export type LocalDate = `${number}-${number}-${number}`;

declare const unit: unique symbol;
/** A number that is not to be taken for one of another unit; plain numbers may become one. */
type Measure<Name extends string> = number & { readonly [unit]?: Name };

export type Seconds = Measure<'seconds'>;
/** Beats of a tune, as its tempo counts them: dotted crotchets in 6/8. */
export type Beats = Measure<'beats'>;
/** Beats a minute, of whatever note the tempo names. */
export type BeatsPerMinute = Measure<'beats a minute'>;
/** Quarter notes a minute, as MIDI and MusicXML count. */
export type QuartersPerMinute = Measure<'quarter notes a minute'>;

/** How long so many beats take. */
export function secondsOf(beats: Beats, tempo: BeatsPerMinute): Seconds {
  return (beats * 60) / tempo;
}
