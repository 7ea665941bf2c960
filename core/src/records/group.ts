/** Things by a key, each group in the order of the things. */
export function groupBy<Key, Thing>(things: Iterable<Thing>, keyOf: (thing: Thing) => Key): Map<Key, Thing[]> {
  const groups = new Map<Key, Thing[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [thing]);
    else group.push(thing);
  }
  return groups;
}

/** The middle of some numbers; null when there are none. */
export function median(numbers: readonly number[]): number | null {
  if (numbers.length === 0) return null;
  const sorted = numbers.toSorted((a, b) => a - b);
  const half = sorted.length / 2;
  return sorted.length % 2 === 1 ? sorted[Math.floor(half)]! : (sorted[half - 1]! + sorted[half]!) / 2;
}
