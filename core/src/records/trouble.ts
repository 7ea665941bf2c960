import type { Fault, HeardEvent } from './events.ts';

/** A bar at which pupils of a class stop, by what was marked when they were heard. */
export interface TroubleSpot {
  /** As printed. */
  readonly bar: number;
  readonly barIndex: number;
  /** So many pupils had something marked there. */
  readonly pupils: number;
  /** Of so many that had something marked anywhere in the tune. */
  readonly of: number;
  /** Ids of the remarks that were made there, the most frequent first. */
  readonly remarks: readonly string[];
}

/**
 * Where a class stops in a tune, most pupils first; of equals the earlier bar. A pupil counts once for each bar, however
 * often it went wrong there.
 * @param heard hearings that count, of this tune.
 */
export function troubleSpots(heard: readonly HeardEvent[]): readonly TroubleSpot[] {
  const marked = heard.filter(({ faults }) => faults !== undefined && faults.length > 0);
  const of = new Set(marked.map(({ pupilId }) => pupilId)).size;
  const bars = new Map<number, { readonly bar: number; readonly pupils: Set<string>; readonly faults: Fault[] }>();
  for (const { pupilId, faults = [] } of marked) {
    for (const fault of faults) {
      const found = bars.get(fault.barIndex) ?? { bar: fault.bar, pupils: new Set<string>(), faults: [] };
      bars.set(fault.barIndex, found);
      found.pupils.add(pupilId);
      found.faults.push(fault);
    }
  }
  return [...bars]
    .map(([barIndex, { bar, pupils, faults }]): TroubleSpot => ({
      bar,
      barIndex,
      pupils: pupils.size,
      of,
      remarks: byFrequency(faults.flatMap(({ remark }) => remark ?? [])),
    }))
    .toSorted((a, b) => b.pupils - a.pupils || a.barIndex - b.barIndex);
}

function byFrequency(all: readonly string[]): readonly string[] {
  const count = (id: string): number => all.filter((each) => each === id).length;
  return [...new Set(all)].toSorted((a, b) => count(b) - count(a));
}
