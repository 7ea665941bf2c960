import type { LocalDate, ReadHolidays } from '@escalier/core/calendar';
import { failure, type Result } from '@escalier/core/music';
import type { BroughtTexts, JobName, Jobs, ReadStaircase, ReadText, StepTexts } from './jobs.ts';
import { ThreadPool, TooMuch } from '../platform/thread-pool.ts';
import type { SoundFacts, SoundProblem } from './sound-facts.ts';

export { soundType, type SoundFacts, type SoundProblem } from './sound-facts.ts';
export {
  readText,
  type BroughtTexts,
  type ReadStaircase,
  type ReadStep,
  type ReadText,
  type StepTexts,
} from './jobs.ts';

/** Reads what people send in threads of its own, so that no file keeps others from being answered. */
export interface Reader {
  /** Starts the first thread and lets it read a tune, so that who asks first does not wait for either. */
  wake(): Promise<void>;
  /** The error is a sentence. @param lane whose file it is: accounts take turns. */
  text(lane: string, abc: string): Promise<Result<ReadText, string>>;
  /** The error is a sentence. @param lane as above. @param from,to the term. */
  holidays(lane: string, ics: string, from: LocalDate, to: LocalDate): Promise<Result<ReadHolidays, string>>;
  /** A recording's kind and length, without decoding it. @param lane as above. */
  sound(lane: string, bytes: Uint8Array): Promise<Result<SoundFacts, SoundProblem>>;
  /** The tunes of a staircase, from the first step up, of texts that were read before. */
  staircase(instrumentId: string, abcs: readonly StepTexts[], brought: BroughtTexts): Promise<ReadStaircase>;
}

const THREADS = 2;
const MEGABYTES = 256;
const FILE_MS = 2000;
const STAIRCASE_MS = 60_000;
const SHORT_TUNE = 'X:1\nT:Waking up\nM:4/4\nL:1/4\nK:C\nG A B2|';
const TOO_LONG = 'This takes too long to read: it is far more than one class needs.';

function createReader(): Reader {
  const pool = new ThreadPool(import.meta.url, 'reader.mjs', { size: THREADS, megabytes: MEGABYTES });
  const ask = <Name extends JobName>(name: Name, args: Parameters<Jobs[Name]>, deadlineMs: number, lane?: string) =>
    pool.ask(name, args, deadlineMs, lane) as Promise<Awaited<ReturnType<Jobs[Name]>>>;
  const refusing = async <Value>(answer: Promise<Result<Value, string>>): Promise<Result<Value, string>> => {
    try {
      return await answer;
    } catch (error) {
      if (error instanceof TooMuch) return failure(TOO_LONG);
      throw error;
    }
  };
  return {
    wake: async () => {
      await ask('text', [SHORT_TUNE], STAIRCASE_MS);
    },
    text: (lane, abc) => refusing(ask('text', [abc], FILE_MS, lane)),
    holidays: (lane, ics, from, to) => refusing(ask('holidays', [ics, from, to], FILE_MS, lane)),
    sound: async (lane, bytes) => {
      try {
        return await ask('sound', [bytes], FILE_MS, lane);
      } catch (error) {
        if (error instanceof TooMuch) return failure('not-sound');
        throw error;
      }
    },
    staircase: (...args) => ask('staircase', args, STAIRCASE_MS),
  };
}

/** One a process; its threads start when they are first asked or woken, and keep no process alive. */
export const reader: Reader = createReader();
