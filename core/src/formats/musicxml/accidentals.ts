import { keyAlter, staffStep, type Key, type Pitch, type TuneEvent } from '../../music/index.ts';

const SIGN_OF = new Map([
  [-2, 'flat-flat'],
  [-1, 'flat'],
  [0, 'natural'],
  [1, 'sharp'],
  [2, 'double-sharp'],
]);

/** Of an event: what stands before the note that is offered in its place, and before itself. */
export interface Accidentals {
  readonly or: string | null;
  readonly note: string | null;
}

/**
 * The accidentals that have to be printed in a bar, in MusicXML's words: where a note differs from the key signature
 * or from an earlier accidental at the same place in the bar. Null where none is printed.
 */
export function accidentalsShown(events: readonly TuneEvent[], key: Key): readonly Accidentals[] {
  const inForce = new Map<number, number>();
  const signOf = (pitch: Pitch): string | null => {
    const place = staffStep(pitch);
    const expected = inForce.get(place) ?? keyAlter(key, pitch.letter);
    if (expected === pitch.alter) return null;
    inForce.set(place, pitch.alter);
    return SIGN_OF.get(pitch.alter) ?? null;
  };
  return events.map((event) => {
    if (event.kind === 'rest') return { or: null, note: null };
    const or = event.or === null ? null : signOf(event.or);
    return { or, note: signOf(event.pitch) };
  });
}
