import { readFileSync } from 'node:fs';
import abcjs from 'abcjs';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { NOTHING_KNOWN, readTune } from '@escalier/core/reading';
import { medians, runBenchmarks, type Benchmark } from './harness.ts';

const SIXTEEN_BARS = readFileSync(new URL('../../demo/tunes/moon-on-the-millpond.abc', import.meta.url), 'utf8');

function sixteenBars() {
  const read = readAbc(SIXTEEN_BARS);
  if (!read.ok) throw new Error('the benchmark tune does not read');
  return read.value.tune;
}

const benchmarks: readonly Benchmark[] = [
  {
    name: 'read-tune',
    unit: 'ms',
    peer: 'abcjs parsing the same 16 bars',
    measure: () => {
      const tune = sixteenBars();
      const on = instrument('soprano-recorder-baroque');
      return medians(
        () => readTune(tune, on, NOTHING_KNOWN),
        () => abcjs.parseOnly(SIXTEEN_BARS),
        { batch: 10 },
      );
    },
  },
];

await runBenchmarks(benchmarks, process.env.ESCALIER_BENCH_ONLY);
