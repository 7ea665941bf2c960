import { fingeringsOf, primaryFingering, type Instrument } from '../instruments/index.ts';
import { midiNumber, type Pitch } from '../music/index.ts';
import type { RemarkId } from '../records/index.ts';
import { median, quantile } from './spread.ts';
import { SOUND_CHECK } from './thresholds.ts';

/** The pitch at a moment, null of silence; every so many milliseconds. */
export interface PitchReading {
  /** Seconds. */
  readonly at: number;
  /** Hundredths of a semitone, A 440 at 6900. */
  readonly cents: number | null;
}

export type SoundKind = 'right' | 'sharp' | 'weak' | 'wobbles' | 'leak' | 'overblown' | 'other';

export interface CheckedSound {
  readonly kind: SoundKind;
  /** Sounding pitch that was heard most, as a MIDI number. */
  readonly came: number;
  /** Cents off the note asked for. */
  readonly cents: number;
  /** Seconds that it sounded. */
  readonly seconds: number;
}

/** What is remarked on for each kind of sound; nothing for a right one. */
export const SOUND_REMARKS: Readonly<Record<SoundKind, RemarkId | null>> = {
  right: null,
  sharp: 'breath',
  overblown: 'breath',
  weak: 'airy',
  wobbles: 'airy',
  leak: 'leak',
  other: 'note',
};

/** Notes that sound when one covered hole of a fingering is open: where a leak jumps to. */
export function leakNotes(instrument: Instrument, asked: Pitch): readonly number[] {
  const holes = primaryFingering(instrument, asked)?.holes;
  if (holes === undefined) return [];
  const near = instrument.fingerings.filter(({ holes: other }) => {
    const apart = other.filter((state, hole) => state !== holes[hole]);
    return apart.length === 1 && other.every((state, hole) => state === holes[hole] || state !== 'closed');
  });
  return [...new Set(near.map(({ pitch }) => midiNumber(pitch) + instrument.soundsAbove))].filter(
    (midi) => midi !== midiNumber(asked) + instrument.soundsAbove,
  );
}

/**
 * Judges one held note. @param readings since it was asked for. @param tuning cents that the class's instruments are
 * above A 440. @returns null as long as too little has sounded.
 */
export function checkSound(
  readings: readonly PitchReading[],
  instrument: Instrument,
  asked: Pitch,
  tuning = 0,
): CheckedSound | null {
  const heard = readings.flatMap(({ at, cents }) => (cents === null ? [] : [{ at, cents: cents - tuning }]));
  const first = heard[0];
  if (first === undefined || fingeringsOf(instrument, asked).length === 0) return null;
  const held = heard.filter(({ at }) => at - first.at >= SOUND_CHECK.settling);
  const step = readings.length < 2 ? 0 : (readings.at(-1)!.at - readings[0]!.at) / (readings.length - 1);
  const seconds = heard.length * step;
  if (seconds < SOUND_CHECK.leastSeconds || held.length < 4) return null;
  const cents = held.map((reading) => reading.cents);
  const wanted = (midiNumber(asked) + instrument.soundsAbove) * 100;
  const middle = median(cents);
  const spread = quantile(cents, 0.75) - quantile(cents, 0.25);
  const off = middle - wanted;
  const share = (test: (apart: number) => boolean): number =>
    cents.filter((cent) => test(cent - wanted)).length / cents.length;
  const leaks = leakNotes(instrument, asked).map((midi) => midi * 100 - wanted);
  const kind = ((): SoundKind => {
    const isNear = (apart: number, to: number): boolean => Math.abs(apart - to) < 60;
    const overblown = share((apart) => isNear(apart, 1200) || isNear(apart, 1900));
    const leaking = share((apart) => leaks.some((to) => isNear(apart, to)));
    if (overblown > 1 - SOUND_CHECK.breaks) return 'overblown';
    if (Math.abs(off) > 60)
      return leaking > SOUND_CHECK.breaks && share((apart) => isNear(apart, 0)) > SOUND_CHECK.breaks ? 'leak' : 'other';
    if (leaking > SOUND_CHECK.breaks) return 'leak';
    if (overblown > SOUND_CHECK.breaks) return 'overblown';
    if (off > SOUND_CHECK.sharp) return 'sharp';
    if (off < -SOUND_CHECK.flat) return 'weak';
    return spread > SOUND_CHECK.wobble ? 'wobbles' : 'right';
  })();
  return { kind, came: Math.round(middle / 100), cents: off, seconds };
}
