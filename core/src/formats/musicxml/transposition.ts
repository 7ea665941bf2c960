import { transposePitch, type Key, type Pitch, type TuneEvent } from '../../music/index.ts';
import { child, children, numberIn, type XmlElement } from './xml-reader.ts';
import { t } from '../messages.ts';

/** By how much the notes of a part are moved, so that they stand as a recorder or whistle reads them. */
export interface Transposition {
  readonly steps: number;
  readonly semitones: number;
}

const NONE: Transposition = { steps: 0, semitones: 0 };

/**
 * A clef with an 8 puts the notes an octave away from where they stand; an instrument in B flat or A sounds elsewhere than
 * it is written. The octave at which an instrument sounds is left to the instrument.
 */
export function transpositionOf(part: XmlElement): Transposition {
  const attributes = children(part, 'measure').flatMap((measure) => children(measure, 'attributes'));
  const clef = attributes.flatMap((attribute) => children(attribute, 'clef'))[0];
  const octaves = numberIn(clef, 'clef-octave-change') ?? 0;
  const transpose = attributes.map((attribute) => child(attribute, 'transpose')).find((each) => each !== undefined);
  const semitones = (numberIn(transpose, 'chromatic') ?? 0) % 12;
  const steps = (numberIn(transpose, 'diatonic') ?? Math.round((semitones * 7) / 12)) % 7;
  if (![octaves, semitones, steps].every(Number.isInteger) || Math.abs(octaves) > 3) return NONE;
  return { steps: steps - 7 * octaves, semitones: semitones - 12 * octaves };
}

/** What is told of it; null where nothing moves. */
export function transpositionWords({ steps, semitones }: Transposition): string | null {
  if (semitones === 0 && steps === 0) return null;
  return semitones % 12 === 0
    ? t('transposition.the-clef-has-an-8-so', { direction: semitones > 0 ? 'up' : 'down' })
    : t('transposition.the-part-is-for-a-transposing');
}

export function moveEvents(events: readonly TuneEvent[], { steps, semitones }: Transposition): readonly TuneEvent[] {
  const moved = (pitch: Pitch): Pitch => transposePitch(pitch, steps, semitones);
  return events.map((event) =>
    event.kind === 'rest'
      ? event
      : { ...event, pitch: moved(event.pitch), or: event.or && moved(event.or), grace: event.grace.map(moved) },
  );
}

/** Seven signs at most: beyond them the key is written with fewer of the other kind. */
export function moveKeyBy(key: Key, { steps, semitones }: Transposition): Key {
  const fifths = key.fifths + 7 * semitones - 12 * steps;
  return Math.abs(fifths) > 7 ? key : { ...key, fifths };
}
