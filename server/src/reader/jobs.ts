import { createHash } from 'node:crypto';
import { readHolidays, type LocalDate, type ReadHolidays } from '@escalier/core/calendar';
import { readAbc, tooLongInAbc } from '@escalier/core/formats';
import { findInstrument, type Instrument } from '@escalier/core/instruments';
import { failure, success, tuneContent, type Result, type Tune } from '@escalier/core/music';
import {
  joinKnowledge,
  knowledgeByName,
  knowledgeFrom,
  readTune,
  tuneSeconds,
  type Knowledge,
} from '@escalier/core/reading';
import { readSteps, type StepReading, type StepTunes } from '@escalier/core/staircase';
import { readSound } from './sound-facts.ts';

/** What a stored tune is known by. */
export interface ReadText {
  readonly title: string;
  /** SHA-256 of what sounds. */
  readonly content: string;
  /** For each bar of the first part, how many notes and rests it has: where a breath can stand. */
  readonly events: readonly number[];
}

/** A tune on a staircase, with the seconds of one playing at its tempo. */
export interface ReadStep {
  readonly step: StepReading;
  readonly seconds: number;
  /** How many bars the sheet of each of its tunes has. */
  readonly bars: readonly number[];
}

/** The error is the first of the file, as a sentence. */
export function readText(abc: string): Result<ReadText, string> {
  const read = readAbc(abc);
  if (!read.ok) return failure(read.error[0]?.message ?? 'This is no tune.');
  const { tune } = read.value;
  return success({
    title: tune.title,
    content: createHash('sha256').update(tuneContent(tune)).digest('hex'),
    events: tune.parts[0].bars.map((bar) => bar.length),
  });
}

/** @throws Error when a stored text is no tune: nothing is stored that was not read first. */
function storedTune(abc: string): Tune {
  const read = readAbc(abc);
  if (!read.ok) throw new Error(`A stored tune does not read: ${read.error[0]?.message ?? ''}`);
  return read.value.tune;
}

/** The tunes of a step as ABC, the first one first. */
export type StepTexts = readonly [string, ...string[]];

/** What a class knows before its first step: by name, and by tunes that it has played. */
export interface BroughtTexts {
  readonly notes: readonly string[];
  readonly elements: readonly string[];
  readonly signs: readonly string[];
  readonly moves: readonly string[];
  readonly abcs: readonly string[];
}

export interface ReadStaircase {
  readonly brings: Knowledge;
  readonly steps: readonly ReadStep[];
}

/** @throws Error for an unknown instrument. */
export function readStaircase(instrumentId: string, abcs: readonly StepTexts[], brought: BroughtTexts): ReadStaircase {
  const on = findInstrument(instrumentId);
  if (on === null) throw new Error(`A staircase is for the unknown instrument ${instrumentId}`);
  const tunes = abcs.map(([main, ...others]): StepTunes => [storedTune(main), ...others.map(storedTune)]);
  const brings = broughtBy(brought, on);
  const steps = readSteps(tunes, on, brings).map((step, index) => ({
    step,
    seconds: Math.round(tuneSeconds(tunes[index]![0], step.reading.tempo)),
    bars: tunes[index]!.map((tune) => tune.bars.length),
  }));
  return { brings, steps };
}

function broughtBy(brought: BroughtTexts, instrument: Instrument): Knowledge {
  return brought.abcs.reduce(
    (known, abc) => joinKnowledge(known, knowledgeFrom(readTune(storedTune(abc), instrument, known))),
    knowledgeByName(brought),
  );
}

/** What a thread is asked, by name; every answer can be sent between threads. */
export const JOBS = {
  text: (abc: string): Result<ReadText, string> => {
    const tooLong = tooLongInAbc(abc);
    return tooLong === null ? readText(abc) : failure(tooLong);
  },
  staircase: readStaircase,
  sound: readSound,
  holidays: (ics: string, from: LocalDate, to: LocalDate): Result<ReadHolidays, string> => readHolidays(ics, from, to),
} as const;

export type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
