import { moveBetween, primaryFingering, type Instrument, type Move } from '../instruments/index.ts';
import type { Pitch } from '../music/index.ts';
import { movesAround } from './move-table.ts';

/** How to come to a new note from one that the class has: "A, and one more finger". */
export interface Bridge {
  readonly from: Pitch;
  readonly move: Move;
}

/**
 * The order in which new notes are shown to a class that has `known`: each time the note whose fingering is nearest to
 * one that is there; to begin with the one with the fewest fingers.
 */
export function teachingOrder(
  instrument: Instrument,
  known: readonly Pitch[],
  notes: readonly Pitch[],
): readonly Pitch[] {
  const there = [...known];
  const left = [...notes];
  const ordered: Pitch[] = [];
  const fingers = (p: Pitch): number =>
    primaryFingering(instrument, p)?.holes.filter((state) => state !== 'open').length ?? Infinity;
  const distance = (p: Pitch): number => movesAround(instrument, p, there)[0]?.cost ?? fingers(p);
  while (left.length > 0) {
    const next = left.toSorted((a, b) => distance(a) - distance(b) || fingers(a) - fingers(b))[0]!;
    left.splice(left.indexOf(next), 1);
    ordered.push(next);
    there.push(next);
  }
  return ordered;
}

/** From the known note that is nearest under the fingers; null when the class has no note of this instrument. */
export function bridgeTo(instrument: Instrument, note: Pitch, known: readonly Pitch[]): Bridge | null {
  const nearest = movesAround(instrument, note, known)[0];
  return nearest === undefined ? null : { from: nearest.from, move: nearest.there };
}

/** From one note to another that the teacher chooses. */
export function bridgeBetween(instrument: Instrument, from: Pitch, to: Pitch): Bridge | null {
  const move = moveBetween(instrument, from, to);
  return move === null ? null : { from, move };
}
