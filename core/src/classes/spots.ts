import type { HardSpot } from '../reading/index.ts';
import type { TroubleSpot } from '../records/index.ts';

/** Where a class stops or may stop in a tune: foreseen from the sheet, marked at hearings, or both. */
export interface ClassSpot {
  /** First and last bar, as printed. */
  readonly bars: readonly [number, number];
  /** Null for a place that only the hearings show. */
  readonly foreseen: HardSpot | null;
  /** So many pupils had something marked in these bars, of so many with a mark anywhere; 0 of 0 before any was heard. */
  readonly stopped: number;
  readonly of: number;
  /** Ids of the remarks made there. */
  readonly remarks: readonly string[];
}

/** One pupil alone is no spot of the class. */
const FEWEST_PUPILS = 2;

/**
 * The hard spots of a tune in the order in which a class needs them: where most pupils stopped first, whether foreseen
 * or not; what is only foreseen comes after, in its own order.
 */
export function classSpots(foreseen: readonly HardSpot[], troubles: readonly TroubleSpot[]): readonly ClassSpot[] {
  const inside = ({ bars: [first, last] }: HardSpot, { bar }: TroubleSpot): boolean => first <= bar && bar <= last;
  const of = troubles[0]?.of ?? 0;
  const known = foreseen.map((spot): ClassSpot => {
    const here = troubles.filter((trouble) => inside(spot, trouble));
    const stopped = Math.max(0, ...here.map(({ pupils }) => pupils));
    return { bars: spot.bars, foreseen: spot, stopped, of, remarks: here.flatMap(({ remarks }) => remarks) };
  });
  const others = troubles
    .filter((trouble) => trouble.pupils >= FEWEST_PUPILS && !foreseen.some((spot) => inside(spot, trouble)))
    .map(({ bar, pupils, remarks }): ClassSpot => ({
      bars: [bar, bar],
      foreseen: null,
      stopped: pupils,
      of,
      remarks,
    }));
  return [...known, ...others].toSorted((a, b) => b.stopped - a.stopped);
}
