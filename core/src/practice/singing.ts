import { midiNumber, staffStep, type Pitch, type TuneEvent } from '../music/index.ts';

/** A fifth: wider leaps are not sung by a whole class. */
const WIDEST_LEAP = 7;
const TRITONE = 6;
const FOURTH = 5;

/** Up to a fifth, without the tritone, and no augmented second. */
export function isSingable(from: Pitch, to: Pitch): boolean {
  const semitones = Math.abs(midiNumber(from) - midiNumber(to));
  const steps = Math.abs(staffStep(from) - staffStep(to));
  return semitones <= WIDEST_LEAP && semitones !== TRITONE && !(steps === 1 && semitones > 2);
}

/** After a leap of a fourth or more a melody turns back or stays. */
export function turnsAfterLeap(melody: readonly Pitch[]): boolean {
  const heights = melody.map(midiNumber);
  return heights.every((height, index) => {
    const leap = height - (heights[index - 1] ?? height);
    const next = (heights[index + 1] ?? height) - height;
    return Math.abs(leap) < FOURTH || Math.sign(next) !== Math.sign(leap);
  });
}

export function pitchesOf(events: readonly TuneEvent[]): readonly Pitch[] {
  return events.flatMap((event) => (event.kind === 'note' ? [event.pitch] : []));
}

export function lastPitch(events: readonly TuneEvent[]): Pitch {
  return pitchesOf(events).at(-1)!;
}

export function pairs<T>(list: readonly T[]): readonly (readonly [T, T])[] {
  return list.slice(1).map((to, index) => [list[index]!, to] as const);
}
