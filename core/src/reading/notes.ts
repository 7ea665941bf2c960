import { byHeight, pitchName, type PerformedNote, type Pitch, type Tune } from '../music/index.ts';

/** One note of a tune: how often it is struck and in which bars, as printed. */
export interface NoteUse {
  readonly name: string;
  readonly pitch: Pitch;
  /** Struck notes on the sheet; a tie counts once, a repeat does not count again. */
  readonly count: number;
  readonly bars: readonly number[];
}

/** From low to high. */
export function noteUses(tune: Tune): readonly NoteUse[] {
  const uses = new Map<string, { pitch: Pitch; count: number; bars: Set<number> }>();
  for (const part of tune.parts) {
    let tied = false;
    for (const [index, bar] of tune.bars.entries()) {
      for (const event of part.bars[index]!) {
        if (event.kind === 'note') {
          const name = pitchName(event.pitch);
          const use = uses.get(name) ?? { pitch: event.pitch, count: 0, bars: new Set<number>() };
          uses.set(name, use);
          use.bars.add(bar.number);
          if (!tied) use.count += 1;
        }
        tied = event.kind === 'note' && event.tied;
      }
    }
  }
  return [...uses]
    .map(([name, use]): NoteUse => ({ name, pitch: use.pitch, count: use.count, bars: [...use.bars] }))
    .sort((a, b) => byHeight(a.pitch, b.pitch));
}

/** Pairs of notes that follow one another without a rest between. */
export function adjacentPairs(played: readonly PerformedNote[]): readonly (readonly [PerformedNote, PerformedNote])[] {
  return played.flatMap((note, index) => {
    const next = played[index + 1];
    return next === undefined || next.afterRest ? [] : [[note, next] as const];
  });
}
