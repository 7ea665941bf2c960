import { wrap, type Remote } from 'comlink';
import type { TuneWorker } from './tune.worker.ts';

export type { LibraryRow } from './library.ts';
export type { Playback } from './playback.ts';
export type { WayIn, WrittenEcho, WrittenEchoSet } from './practice.ts';
export type { TuneInfo } from './tune.worker.ts';

let worker: Remote<TuneWorker> | null = null;

/** The one worker that reads and engraves; it starts at the first call. */
export function tuneWorker(): Remote<TuneWorker> {
  worker ??= wrap<TuneWorker>(
    new Worker(new URL('./tune.worker.ts', import.meta.url), { type: 'module', name: 'tunes' }),
  );
  return worker;
}
