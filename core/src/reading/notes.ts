import { byHeight, pitchName, type PerformedNote, type Pitch, type Tune } from '../music/index.ts';
import type { Place } from './phrases.ts';

/** One note of a tune: how often it is struck and in which bars, as printed. */
export interface NoteUse {
  readonly name: string;
  readonly pitch: Pitch;
  /** Struck notes on the sheet; a tie counts once, a repeat does not count again. */
  readonly count: number;
  readonly bars: readonly number[];
  /** Where it is struck in the first part. */
  readonly places: readonly Place[];
}

/** From low to high. */
export function noteUses(tune: Tune): readonly NoteUse[] {
  const uses = new Map<string, { pitch: Pitch; count: number; bars: Set<number>; places: Place[] }>();
  for (const [partIndex, part] of tune.parts.entries()) {
    let tied = false;
    for (const [index, bar] of tune.bars.entries()) {
      for (const [eventIndex, event] of part.bars[index]!.entries()) {
        if (event.kind === 'note') {
          const name = pitchName(event.pitch);
          const use = uses.get(name) ?? { pitch: event.pitch, count: 0, bars: new Set<number>(), places: [] };
          uses.set(name, use);
          use.bars.add(bar.number);
          if (!tied) use.count += 1;
          if (!tied && partIndex === 0) use.places.push({ barIndex: index, eventIndex });
        }
        tied = event.kind === 'note' && event.tied;
      }
    }
  }
  return [...uses]
    .map(([name, use]): NoteUse => ({
      name,
      pitch: use.pitch,
      count: use.count,
      bars: [...use.bars],
      places: use.places,
    }))
    .sort((a, b) => byHeight(a.pitch, b.pitch));
}

/** Pairs of notes that follow one another without a rest between. */
export function adjacentPairs(played: readonly PerformedNote[]): readonly (readonly [PerformedNote, PerformedNote])[] {
  return played.flatMap((note, index) => {
    const next = played[index + 1];
    return next === undefined || next.afterRest ? [] : [[note, next] as const];
  });
}
