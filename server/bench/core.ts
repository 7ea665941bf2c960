import { readdirSync, readFileSync } from 'node:fs';
import abcjs from 'abcjs';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { fuzz, FUZZ_NAMES } from '@escalier/core/testing';
import { NOTHING_KNOWN, readTune } from '@escalier/core/reading';
import { medians, runBenchmarks, type Benchmark } from './harness.ts';

const SIXTEEN_BARS = readFileSync(new URL('../../demo/tunes/moon-on-the-millpond.abc', import.meta.url), 'utf8');

const FOLDER = new URL('../../demo/tunes/', import.meta.url);

function parsed(text: string) {
  const read = readAbc(text);
  if (!read.ok) throw new Error('a benchmark tune does not read');
  return read.value.tune;
}

/** The shipped tunes, again and again. */
function library(size: number): readonly string[] {
  const texts = readdirSync(FOLDER).map((name) => readFileSync(new URL(name, FOLDER), 'utf8'));
  return Array.from({ length: size }, (_, index) => texts[index % texts.length]!);
}

const benchmarks: readonly Benchmark[] = [
  {
    name: 'read-tune',
    unit: 'ms',
    peer: 'abcjs parsing the same 16 bars',
    measure: () => {
      const tune = parsed(SIXTEEN_BARS);
      const on = instrument('soprano-recorder-baroque');
      return medians(
        () => readTune(tune, on, NOTHING_KNOWN),
        () => abcjs.parseOnly(SIXTEEN_BARS),
        { batch: 10 },
      );
    },
  },
  {
    name: 'read-library',
    unit: 'ms',
    peer: 'abcjs parsing the same 1,000 texts',
    measure: () => {
      const texts = library(1000);
      const tunes = texts.map(parsed);
      const on = instrument('soprano-recorder-baroque');
      return medians(
        () => tunes.map((tune) => readTune(tune, on, NOTHING_KNOWN)),
        () => texts.map((text) => abcjs.parseOnly(text)),
        { rounds: 5, warmup: 1 },
      );
    },
  },
  {
    name: 'fuzz-worst',
    unit: 'ms',
    peer: 'reading a good tune of 600 bars, the most that fits',
    measure: () => {
      const now = (): number => performance.now();
      const slowest = FUZZ_NAMES.map((name) => fuzz(name, 400, 7, now).slowest.milliseconds);
      const longest = `X:1\nT:Long\nM:4/4\nL:1/4\nK:G\n${'GABd|'.repeat(600)}`;
      const start = now();
      readTune(parsed(longest), instrument('soprano-recorder-baroque'), NOTHING_KNOWN);
      return { value: Math.max(...slowest), peerValue: now() - start };
    },
  },
];

await runBenchmarks(benchmarks, process.env.ESCALIER_BENCH_ONLY);
