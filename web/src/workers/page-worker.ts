import { proxy, wrap, type Remote } from 'comlink';
import { WorkerEnded } from './index.ts';

type Door = Readonly<Record<string, (...args: never[]) => unknown>>;

/**
 * A worker for one page. It starts at the first call; `cancel` ends it in the middle of its work, and the next call starts anew.
 * @param trouble what is said when it fails by itself.
 */
export function pageWorker<D extends Door>(create: () => Worker, trouble: string) {
  let running: { readonly remote: Remote<D>; readonly ended: Promise<never> } | null = null;
  let end: (why: string) => void = () => undefined;

  function start(): NonNullable<typeof running> {
    const worker = create();
    const ended = new Promise<never>((_, reject) => {
      end = (why) => {
        worker.terminate();
        running = null;
        reject(new WorkerEnded(why));
      };
      worker.addEventListener('error', () => end(trouble));
    });
    ended.catch(() => undefined);
    return { remote: wrap<D>(worker), ended };
  }

  async function ask<N extends keyof D & string>(
    name: N,
    ...args: Parameters<D[N]>
  ): Promise<Awaited<ReturnType<D[N]>>> {
    running ??= start();
    const { remote, ended } = running;
    const sent = (args as unknown[]).map((arg) => (typeof arg === 'function' ? proxy(arg) : arg));
    type Call = (...args: unknown[]) => Promise<Awaited<ReturnType<D[N]>>>;
    return Promise.race([(remote as unknown as Record<N, Call>)[name](...sent), ended]);
  }

  return { ask, cancel: () => end('Stopped.') };
}
