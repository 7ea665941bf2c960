import { keyAlter, staffStep, type Key, type TuneEvent } from '../../music/index.ts';

const SIGN_OF = new Map([
  [-2, 'flat-flat'],
  [-1, 'flat'],
  [0, 'natural'],
  [1, 'sharp'],
  [2, 'double-sharp'],
]);

/**
 * The accidentals that have to be printed in a bar, in MusicXML's words: where a note differs from the key signature
 * or from an earlier accidental at the same place in the bar. Null where none is printed.
 */
export function accidentalsShown(events: readonly TuneEvent[], key: Key): readonly (string | null)[] {
  const inForce = new Map<number, number>();
  return events.map((event) => {
    if (event.kind === 'rest') return null;
    const place = staffStep(event.pitch);
    const expected = inForce.get(place) ?? keyAlter(key, event.pitch.letter);
    if (expected === event.pitch.alter) return null;
    inForce.set(place, event.pitch.alter);
    return SIGN_OF.get(event.pitch.alter) ?? null;
  });
}
