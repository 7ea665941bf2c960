import { describe, expect, it } from 'vitest';
import { fuzz, FUZZ_NAMES } from './fuzz.ts';

/** Short here; `npm run fuzz -- --runs 10000` runs as long as one likes. */
const RUNS = Number(process.env.ESCALIER_FUZZ_RUNS ?? 40);
const SEED = Number(process.env.ESCALIER_FUZZ_SEED ?? 7);

describe('a spoilt file gives a tune or a sentence, and comes back', () => {
  it.each(FUZZ_NAMES)('%s', (name) => {
    const { thrown, slowest, runs } = fuzz(name, RUNS, SEED, () => performance.now());
    if (process.env.ESCALIER_FUZZ_RUNS !== undefined)
      process.stdout.write(
        `${name}: ${runs} files, the slowest ${Math.round(slowest.milliseconds)} ms (number ${slowest.run})\n`,
      );
    expect(thrown.slice(0, 5).map(({ run, error }) => `${run}: ${String(error)}`)).toEqual([]);
  });
});
