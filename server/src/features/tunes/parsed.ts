import { readAbc } from '@escalier/core/formats';
import type { Tune } from '@escalier/core/music';

const MOST_KEPT = 500;
const kept = new Map<string, Tune>();

/**
 * The Tune of a stored ABC text. Kept by its text: the same text always gives the same Tune, so nothing goes stale.
 * @throws Error when a stored text is no tune; nothing is stored that was not read first.
 */
export function parsedTune(abc: string): Tune {
  const known = kept.get(abc);
  if (known !== undefined) return known;
  const read = readAbc(abc);
  if (!read.ok) throw new Error(`A stored tune does not read: ${read.fault[0]?.message ?? ''}`);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(abc, read.value.tune);
  return read.value.tune;
}
