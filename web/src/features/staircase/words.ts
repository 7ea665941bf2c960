/** "bar 4", "bars 4 and 7", "bars 1 to 8": bar numbers as they are said. */
export function barsWords(bars: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const bar of bars) {
    const last = runs.at(-1);
    if (last !== undefined && bar === last[1] + 1) last[1] = bar;
    else runs.push([bar, bar]);
  }
  const parts = runs.flatMap(([from, to]) => {
    if (from === to) return [from === 0 ? 'pickup' : String(from)];
    return to === from + 1
      ? [from === 0 ? 'pickup' : String(from), String(to)]
      : [`${from === 0 ? 'pickup' : from} to ${to}`];
  });
  const list = parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}` : (parts[0] ?? '');
  return bars.length === 1 ? (bars[0] === 0 ? 'in the pickup' : `bar ${list}`) : `bars ${list}`;
}
