import type { Move } from '../instruments/index.ts';
import type { Tempo, Tune } from '../music/index.ts';
import { moveKey } from './knowledge.ts';
import type { PlayedMove } from './played.ts';

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

/** Distinct moves, hardest at tempo first. */
export function moveUses(tune: Tune, played: readonly PlayedMove[]): readonly MoveUse[] {
  const uses = new Map<string, { use: MoveUse; bars: Set<number> }>();
  for (const { first, from, to, move, costAtTempo } of played) {
    const key = moveKey(from, to);
    const known = uses.get(key);
    const bars = (known?.bars ?? new Set<number>()).add(tune.bars[first.barIndex]!.number);
    const count = (known?.use.count ?? 0) + 1;
    const hardest = Math.max(costAtTempo, known?.use.costAtTempo ?? 0);
    uses.set(key, { use: { from, to, move, count, costAtTempo: hardest, bars: [] }, bars });
  }
  return [...uses.values()]
    .map(({ use, bars }): MoveUse => ({ ...use, bars: [...bars] }))
    .sort((a, b) => b.costAtTempo - a.costAtTempo || compareText(a.from, b.from) || compareText(a.to, b.to));
}

function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
