/** One benchmark: a figure and the figure of a named peer, measured in the same run. */
export interface Benchmark {
  readonly name: string;
  readonly unit: string;
  /** What the peer is, in few words. */
  readonly peer: string;
  readonly measure: () => Promise<Figures> | Figures;
}

export interface Figures {
  readonly value: number;
  readonly peerValue: number;
}

/**
 * Median milliseconds of one call, the two sides in turn so that a drift of the machine meets both.
 * @param options.before what comes before each call and is not timed.
 */
export async function medians(
  ours: () => unknown,
  peer: () => unknown,
  { rounds = 60, warmup = 20, batch = 1, before = undefined as (() => Promise<void>) | undefined } = {},
): Promise<Figures> {
  const times: { readonly ours: number[]; readonly peer: number[] } = { ours: [], peer: [] };
  for (let round = -warmup; round < rounds; round++) {
    await before?.();
    const mine = await timed(ours, batch);
    await before?.();
    const theirs = await timed(peer, batch);
    if (round < 0) continue;
    times.ours.push(mine);
    times.peer.push(theirs);
  }
  return { value: median(times.ours), peerValue: median(times.peer) };
}

async function timed(work: () => unknown, batch: number): Promise<number> {
  const start = performance.now();
  for (let call = 0; call < batch; call++) await work();
  return (performance.now() - start) / batch;
}

function median(times: number[]): number {
  return times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)] ?? Number.NaN;
}

/** Runs the benchmarks whose names match, and prints a JSON line for each. */
export async function runBenchmarks(benchmarks: readonly Benchmark[], only: string | undefined): Promise<void> {
  for (const { name, unit, peer, measure } of benchmarks) {
    if (only !== undefined && !name.includes(only)) continue;
    const { value, peerValue } = await measure();
    const round = (figure: number): number => Number(figure.toPrecision(4));
    console.log(
      JSON.stringify({
        name,
        value: round(value),
        unit,
        peer,
        peerValue: round(peerValue),
        ratio: round(value / peerValue),
      }),
    );
  }
}
