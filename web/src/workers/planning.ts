import { proxy, wrap, type Remote } from 'comlink';
import { WorkerEnded } from './index.ts';
import type { PlanningWorker } from './planning.worker.ts';

type Name = keyof PlanningWorker;

/** A worker that plans, for one page. It starts at the first call; `cancel` ends it in the middle of its work, and the next call starts anew. */
export function planningWorker() {
  let running: {
    readonly worker: Worker;
    readonly remote: Remote<PlanningWorker>;
    readonly ended: Promise<never>;
  } | null = null;
  let end: (why: string) => void = () => undefined;

  function start(): NonNullable<typeof running> {
    const worker = new Worker(new URL('./planning.worker.ts', import.meta.url), { type: 'module', name: 'planning' });
    const ended = new Promise<never>((_, reject) => {
      end = (why) => {
        worker.terminate();
        running = null;
        reject(new WorkerEnded(why));
      };
      worker.addEventListener('error', () => end('The planner has stopped. Please try again.'));
    });
    ended.catch(() => undefined);
    return { worker, remote: wrap<PlanningWorker>(worker), ended };
  }

  async function ask<N extends Name>(
    name: N,
    ...args: Parameters<PlanningWorker[N]>
  ): Promise<ReturnType<PlanningWorker[N]>> {
    running ??= start();
    const { remote, ended } = running;
    const sent = args.map((arg: unknown) => (typeof arg === 'function' ? proxy(arg) : arg));
    type Call = (...args: unknown[]) => Promise<ReturnType<PlanningWorker[N]>>;
    return Promise.race([(remote[name] as unknown as Call)(...sent), ended]);
  }

  return { ask, cancel: () => end('Stopped.') };
}
