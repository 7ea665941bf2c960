import { transfer, wrap, type Remote } from 'comlink';
import { PlainError } from '../refusals/index.ts';
import type { ListenedView, ListeningWorker, ToListen } from './listening.worker.ts';
import listeningWorkerUrl from './listening.worker.ts?worker&url';
import { inEnglishOfPage } from '../english.ts';
import { t } from '../messages.ts';

export type { ListenedView, ToListen } from './listening.worker.ts';

interface Place {
  readonly worker: Worker;
  readonly remote: Remote<ListeningWorker>;
}

interface Job {
  readonly asked: ToListen;
  readonly done: (view: ListenedView | null) => void;
  readonly failed: (problem: Error) => void;
}

const MOST_WORKERS = 3;

/**
 * Listens to recordings, as many at once as the machine has room for. `cancel` ends all that is under way; what was asked
 * rejects, and the next call starts anew.
 */
export function listeningPool() {
  const size = Math.max(1, Math.min(MOST_WORKERS, (navigator.hardwareConcurrency || 2) - 1));
  let places: Place[] = [];
  let idle: Place[] = [];
  let waiting: Job[] = [];
  let running = new Set<Job>();

  function open(): Place {
    const worker = new Worker(inEnglishOfPage(listeningWorkerUrl), { type: 'module', name: 'listening' });
    const place = { worker, remote: wrap<ListeningWorker>(worker) };
    worker.addEventListener('error', () => cancel(t('listening.listening-has-stopped-please-try-again')));
    places.push(place);
    return place;
  }

  function next(): void {
    const job = waiting[0];
    if (job === undefined) return;
    const place = idle.pop() ?? (places.length < size ? open() : undefined);
    if (place === undefined) return;
    waiting = waiting.slice(1);
    running.add(job);
    const { samples } = job.asked;
    place.remote
      .listen(transfer(job.asked, [samples.buffer]))
      .then(job.done, (problem: unknown) => job.failed(problem instanceof Error ? problem : new Error(String(problem))))
      .finally(() => {
        running.delete(job);
        if (places.includes(place)) idle.push(place);
        next();
      });
    next();
  }

  /** @param asked its samples are handed over: they are gone here afterwards. */
  function listen(asked: ToListen): Promise<ListenedView | null> {
    return new Promise((done, failed) => {
      waiting.push({ asked, done, failed });
      next();
    });
  }

  function cancel(why = t('listening.stopped')): void {
    for (const { worker } of places) worker.terminate();
    const jobs = [...running, ...waiting];
    [places, idle, waiting, running] = [[], [], [], new Set()];
    for (const { failed } of jobs) failed(new PlainError(why));
  }

  return { listen, cancel };
}
