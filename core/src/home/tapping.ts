import type { Seconds } from '../units/index.ts';

export type TapKind = 'together' | 'early' | 'late' | 'missed';

/** What became of one note of a rhythm. */
export interface TappedNote {
  readonly kind: TapKind;
  /** Seconds after the note; below 0 before it. Null where no tap came. */
  readonly off: number | null;
}

export interface Tapped {
  readonly notes: readonly TappedNote[];
  /** Taps where no note is. */
  readonly extra: number;
}

/** Within so many seconds taps are heard as together (a thirtieth of a second is below what a class notices). */
export const TOGETHER_SECONDS = 0.09;
/** A tap further from a note than this belongs to no note. */
const FARTHEST = 0.3;

/**
 * Taps against the notes of a rhythm, each tap for one note at most and in their order, so that as many notes as can be
 * have a tap and the taps lie as near as can be.
 * @param onsets seconds of the notes, rising. @param taps seconds of the taps, rising.
 */
export function tapped(onsets: readonly Seconds[], taps: readonly Seconds[]): Tapped {
  const reach = onsets.map((onset, index) => {
    const gap = Math.min(onset - (onsets[index - 1] ?? -Infinity), (onsets[index + 1] ?? Infinity) - onset);
    return Math.min(FARTHEST, gap / 2);
  });
  // Fewest notes without a tap first, then the least distance: a row for each note, a column for each tap.
  const UNMATCHED = 10;
  const cost = [taps.map(() => 0).concat(0)];
  for (const [n, onset] of onsets.entries()) {
    const above = cost[n]!;
    const row = [above[0]! + UNMATCHED];
    for (const [t, tap] of taps.entries()) {
      const off = Math.abs(tap - onset);
      const pair = off <= reach[n]! ? above[t]! + off : Infinity;
      row.push(Math.min(pair, above[t + 1]! + UNMATCHED, row[t]!));
    }
    cost.push(row);
  }
  const matched = new Map<number, number>();
  for (let n = onsets.length, t = taps.length; n > 0 && t > 0;) {
    const off = Math.abs(taps[t - 1]! - onsets[n - 1]!);
    const here = cost[n]![t]!;
    if (here === cost[n]![t - 1]) t--;
    else if (off <= reach[n - 1]! && here === cost[n - 1]![t - 1]! + off) matched.set(--n, --t);
    else n--;
  }
  return {
    notes: onsets.map((onset, index): TappedNote => {
      const tap = matched.get(index);
      if (tap === undefined) return { kind: 'missed', off: null };
      const off = taps[tap]! - onset;
      return { kind: Math.abs(off) <= TOGETHER_SECONDS ? 'together' : off < 0 ? 'early' : 'late', off };
    }),
    extra: taps.length - matched.size,
  };
}
