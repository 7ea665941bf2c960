import { parentPort } from 'node:worker_threads';

/** A question to a thread, and its answer; both carry the same number. */
export interface Question {
  readonly number: number;
  readonly name: string;
  readonly args: readonly unknown[];
}

export type Answer =
  | { readonly number: number; readonly value: unknown }
  | { readonly number: number; readonly broken: { readonly message: string; readonly stack: string } };

/** What a thread can be asked, by name. */
export type ThreadJobs = Readonly<Record<string, (...args: never[]) => unknown>>;

/** In the thread itself: answers one question after the other, and says when it can be asked. */
export function answerQuestions(jobs: ThreadJobs): void {
  const port = parentPort!;
  port.on('message', ({ number, name, args }: Question) => {
    void (async () => {
      try {
        const job = jobs[name] as (...args: readonly unknown[]) => unknown;
        port.postMessage({ number, value: await job(...args) } satisfies Answer);
      } catch (error) {
        const { message, stack = '' } = error instanceof Error ? error : new Error(String(error));
        port.postMessage({ number, broken: { message, stack } } satisfies Answer);
      }
    })();
  });
  port.postMessage('ready');
}
