import { failure, type Result } from '@escalier/core/music';
import { wrap, type Remote } from 'comlink';
import { PlainError } from '../refusals/index.ts';
import { inEnglishOfPage } from '../english.ts';
import type { TuneWorker } from './tune.worker.ts';
import tuneWorkerUrl from './tune.worker.ts?worker&url';
import { t } from '../messages.ts';

export type { LibraryRow } from './library.ts';
export type { BackingSound, PlayedBacking } from './backing.ts';
export type { HomePartView } from './home.ts';
export type { PieceTurn, Playback } from './playback.ts';
export type { WayIn, WrittenEcho, WrittenEchoSet } from './practice.ts';
export type { TuneInfo } from './tune.worker.ts';

/** The longest that one tune may take, and a whole library. */
const TUNE_MS = 10_000;
const LIBRARY_MS = 180_000;

/** The worker was ended in the middle of its work, with the sentence why. */
export class WorkerEnded extends PlainError {}

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<TuneWorker>;
  /** Rejects when the worker breaks. */
  readonly broken: Promise<never>;
}

let running: Running | null = null;

function start(): Running {
  const worker = new Worker(inEnglishOfPage(tuneWorkerUrl), { type: 'module', name: 'tunes' });
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => {
      end(worker);
      reject(new WorkerEnded(t('index.the-tune-reader-has-stopped-please')));
    });
  });
  broken.catch(() => undefined);
  return { worker, remote: wrap<TuneWorker>(worker), broken };
}

/** The next call starts a new one. */
function end(worker: Worker): void {
  worker.terminate();
  if (running?.worker === worker) running = null;
}

/** Asks the worker, and ends it when it takes too long: whatever else it had to do is asked of a new one. */
async function within<Value>(
  milliseconds: number,
  call: (remote: Remote<TuneWorker>) => Promise<Value>,
): Promise<Value> {
  running ??= start();
  const { worker, remote, broken } = running;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => {
      end(worker);
      reject(new WorkerEnded(t('index.this-took-too-long-and-was')));
    }, milliseconds);
  });
  try {
    return await Promise.race([call(remote), late, broken]);
  } finally {
    clearTimeout(timer);
  }
}

type Name = keyof TuneWorker;
type Args<N extends Name> = Parameters<TuneWorker[N]>;
type Answer<N extends Name> = Awaited<ReturnType<TuneWorker[N]>>;

function ask<N extends Name>(name: N, args: Args<N>, milliseconds = TUNE_MS): Promise<Answer<N>> {
  // Comlink makes a union of promises of a promise of a union.
  type Call = (...args: Args<N>) => Promise<Answer<N>>;
  return within(milliseconds, (remote) => (remote[name] as unknown as Call)(...args));
}

type Problem = Result<never, readonly { readonly bar: null; readonly message: string }[]>;

/** For what may be no tune anyway: a worker that was ended is one more reason. */
async function orFailure<Value>(answer: Promise<Value>): Promise<Value | Problem> {
  try {
    return await answer;
  } catch (error) {
    if (error instanceof WorkerEnded) return failure([{ bar: null, message: error.message }]);
    throw error;
  }
}

/** The engraver is megabytes: how long it takes to come is the network's affair, and has no deadline. */
async function engrave(...args: Args<'engrave'>): Promise<Answer<'engrave'> | Problem> {
  const kept = await orFailure(ask('keptSheet', args));
  if (kept !== null) return kept;
  running ??= start();
  await Promise.race([running.remote.loadEngraver(), running.broken]).catch(() => undefined);
  return orFailure(ask('engrave', args));
}

/** The one worker that reads and engraves; it starts at the first call. */
const door = {
  engrave,
  read: (...args: Args<'read'>) => orFailure(ask('read', args)),
  importFile: (...args: Args<'importFile'>) => orFailure(ask('importFile', args)),
  exportTune: (...args: Args<'exportTune'>) => orFailure(ask('exportTune', args)),
  check: async (...args: Args<'check'>): Promise<Answer<'check'>> => {
    const answer = await orFailure(ask('check', args));
    return 'error' in answer ? { ok: false, notices: answer.error } : (answer as Answer<'check'>);
  },
  waysIn: (...args: Args<'waysIn'>) => ask('waysIn', args).catch((): Answer<'waysIn'> => []),
  backing: (...args: Args<'backing'>) => ask('backing', args).catch((): Answer<'backing'> => null),
  lineTexts: (...args: Args<'lineTexts'>) => ask('lineTexts', args).catch((): Answer<'lineTexts'> => []),
  stepForLesson: (...args: Args<'stepForLesson'>) =>
    ask('stepForLesson', args).catch((): Answer<'stepForLesson'> => null),
  writeEntry: (...args: Args<'writeEntry'>) => orFailure(ask('writeEntry', args)),
  entryFrom: (...args: Args<'entryFrom'>) => ask('entryFrom', args).catch((): Answer<'entryFrom'> => null),
  breathsAt: (...args: Args<'breathsAt'>) => ask('breathsAt', args).catch((): Answer<'breathsAt'> => []),
  inWords: (...args: Args<'inWords'>) => ask('inWords', args).catch((): Answer<'inWords'> => []),
  homeParts: (...args: Args<'homeParts'>) => ask('homeParts', args).catch((): Answer<'homeParts'> => null),
  echoSet: (...args: Args<'echoSet'>) => ask('echoSet', args),
  readLibrary: (...args: Args<'readLibrary'>) => ask('readLibrary', args, LIBRARY_MS),
};

export function tuneWorker(): typeof door {
  return door;
}
