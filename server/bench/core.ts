import { readdirSync, readFileSync } from 'node:fs';
import abcjs from 'abcjs';
import { readAbc } from '@escalier/core/formats';
import { instrument } from '@escalier/core/instruments';
import { forecastClass } from '@escalier/core/records';
import { builtStaircase, learned, newsOf, profileOf, scoreStaircase } from '@escalier/core/staircase';
import { fuzz, FUZZ_NAMES, recipes, seededRandom, simulatedClass, upToLesson } from '@escalier/core/testing';
import { NOTHING_KNOWN, readTune } from '@escalier/core/reading';
import { fanOf } from './fan.ts';
import { medians, runBenchmarks, type Benchmark } from './harness.ts';
import { listening } from './listen.ts';

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

const ORDER = ['B4', 'A4', 'G4', 'E4', 'D4', 'F#4', 'C5', 'D5'];

/** Planning a unit from so many tunes: the shipped ones, again and again under other names. */
function planning(size: number, steps: number) {
  const on = instrument('soprano-recorder-baroque');
  const shipped = readdirSync(FOLDER).map((name) =>
    profileOf(name, parsed(readFileSync(new URL(name, FOLDER), 'utf8')), on),
  );
  const tunes = Array.from({ length: size }, (_, index) => {
    const tune = shipped[index % shipped.length]!;
    return { ...tune, id: `${index} ${tune.id}` };
  });
  return { tunes, order: ORDER, knows: NOTHING_KNOWN, pins: [], steps, seed: 1 };
}

/** The next tune is always the easiest for what is known, of those that fit the order. */
function greedyList({ tunes, steps }: ReturnType<typeof planning>): readonly string[] {
  const list: string[] = [];
  let known = NOTHING_KNOWN;
  for (let step = 0; step < steps; step++) {
    const next = tunes
      .filter((tune) => !list.includes(tune.id) && tune.notes.every((note) => ORDER.includes(note.name)))
      .map((tune) => ({ tune, rise: newsOf(tune, known).rise.total }))
      .reduce((best, each) => (each.rise < best.rise ? each : best)).tune;
    list.push(next.id);
    known = learned(known, next);
  }
  return list;
}

/** Classes by known rates, what is forecast after nine lessons, and what came. */
function triedForecasts(classes: number, runs: number) {
  const past = 9;
  return recipes(classes, 1).flatMap((recipe) => {
    const { pupils, came } = simulatedClass(recipe);
    const { mean } = forecastClass({
      steps: recipe.steps,
      heardPerLesson: recipe.heardPerLesson,
      lessonsPast: past,
      lessonsLeft: 17,
      pupils: upToLesson(pupils, past),
      runs,
      seed: recipe.seed,
    });
    return [4, 8, 17].map((lessons) => ({
      lessons,
      band: mean[lessons - 1]!,
      came: came[past + lessons]!,
      line: Math.min(recipe.steps, (came[past]! * (past + lessons)) / past),
    }));
  });
}

const plans: readonly Benchmark[] = [
  ...(
    [
      ['build-staircase', 200, 15],
      ['build-staircase-1000', 1000, 20],
    ] as const
  ).map(([name, size, steps]): Benchmark => ({
    name,
    unit: 'ms',
    peer: `the next easiest tune, ${size} tunes and ${steps} steps`,
    measure: () => {
      const request = planning(size, steps);
      return medians(
        () => builtStaircase(request),
        () => greedyList(request),
        { rounds: 3, warmup: 1 },
      );
    },
  })),
  {
    name: 'build-staircase-objective',
    unit: 'points',
    peer: 'the next easiest tune, 200 tunes and 15 steps',
    measure: () => {
      const request = planning(200, 15);
      const { objective } = builtStaircase(request);
      return { value: objective.total, peerValue: scoreStaircase(request.tunes, request)(greedyList(request)).total };
    },
  },
  {
    name: 'forecast',
    unit: 'ms',
    peer: 'drawing 400 courses of the class as a whole, 25 times',
    measure: () => {
      const recipe = { ...recipes(1, 1)[0]!, pupils: 28, steps: 8, lessons: 29, lumpy: 0 };
      const { pupils, came } = simulatedClass(recipe);
      const known = upToLesson(pupils, 9);
      const random = seededRandom(1);
      return medians(
        () =>
          forecastClass({
            steps: 8,
            lessonsPast: 9,
            lessonsLeft: 20,
            heardPerLesson: 10,
            pupils: known,
            runs: 10_000,
            seed: 1,
          }),
        () => Array.from({ length: 25 }, () => fanOf(came, 9, 20, 8, random)),
        { rounds: 9, warmup: 3 },
      );
    },
  },
  {
    name: 'forecast-error',
    unit: 'steps a pupil',
    peer: 'a straight line through the passes so far, 500 simulated classes',
    measure: () => {
      const tried = triedForecasts(500, 1000);
      const error = (of: (each: (typeof tried)[number]) => number): number =>
        tried.reduce((sum, each) => sum + Math.abs(of(each) - each.came), 0) / tried.length;
      return { value: error(({ band }) => band.p50), peerValue: error(({ line }) => line) };
    },
  },
  ...[4, 8, 17].map((horizon): Benchmark => ({
    name: `forecast-band-${horizon}`,
    unit: '% of 500 simulated classes',
    peer: 'the 80 % that a band from 10 to 90 has to hold',
    measure: () => {
      const tried = triedForecasts(500, 1000).filter(({ lessons }) => lessons === horizon);
      const within = tried.filter(({ band, came }) => came >= band.p10 - 1e-9 && came <= band.p90 + 1e-9);
      return { value: (100 * within.length) / tried.length, peerValue: 80 };
    },
  })),
];

await runBenchmarks([...benchmarks, ...plans, ...listening], process.env.ESCALIER_BENCH_ONLY);
