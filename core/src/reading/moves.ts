import { costInTime, moveBetween, type Instrument, type Move } from '../instruments/index.ts';
import { midiNumber, performedNotes, pitchName, toNumber, type Tempo, type Tune } from '../music/index.ts';
import { moveKey } from './knowledge.ts';
import { adjacentPairs } from './notes.ts';

/** One distinct move of a tune and how often it comes in performance order. */
export interface MoveUse {
  readonly from: string;
  readonly to: string;
  readonly move: Move;
  readonly count: number;
  /** Cost at the tempo where it has the least time. */
  readonly costAtTempo: number;
  readonly bars: readonly number[];
}

/** Beats a minute for tunes whose file gives no tempo. */
export const DEFAULT_TEMPO: Tempo = { beat: { num: 1, den: 4 }, perMinute: 84 };

/** Seconds of a whole note at a tempo. */
export function secondsOfWhole(tempo: Tempo): number {
  return 60 / tempo.perMinute / toNumber(tempo.beat);
}

/** Distinct moves, hardest at tempo first. Repeated notes are no move; notes off the instrument make none. */
export function moveUses(tune: Tune, on: Instrument, tempo: Tempo): readonly MoveUse[] {
  const uses = new Map<string, { use: MoveUse; bars: Set<number> }>();
  const seconds = secondsOfWhole(tempo);
  for (let part = 0; part < tune.parts.length; part++) {
    for (const [first, second] of adjacentPairs(performedNotes(tune, part))) {
      if (midiNumber(first.pitch) === midiNumber(second.pitch)) continue;
      const [from, to] = [pitchName(first.pitch), pitchName(second.pitch)];
      const key = moveKey(from, to);
      const known = uses.get(key);
      const move = known?.use.move ?? moveBetween(on, first.pitch, second.pitch);
      if (move === null) continue;
      const costAtTempo = costInTime(move.cost, toNumber(first.length) * seconds);
      const bars = (known?.bars ?? new Set<number>()).add(tune.bars[first.barIndex]!.number);
      const count = (known?.use.count ?? 0) + 1;
      const hardest = Math.max(costAtTempo, known?.use.costAtTempo ?? 0);
      uses.set(key, { use: { from, to, move, count, costAtTempo: hardest, bars: [] }, bars });
    }
  }
  return [...uses.values()]
    .map(({ use, bars }): MoveUse => ({ ...use, bars: [...bars] }))
    .sort((a, b) => b.costAtTempo - a.costAtTempo || a.from.localeCompare(b.from) || a.to.localeCompare(b.to));
}
