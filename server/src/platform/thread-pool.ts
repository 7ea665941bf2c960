import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker, type ResourceLimits } from 'node:worker_threads';
import { Lanes } from './lanes.ts';
import { Problem } from './problem.ts';
import type { Answer, Question } from './thread.ts';
import { t } from './messages.ts';

/** Why a thread was ended in the middle of its work. */
export class TooMuch extends Error {}

const MOST_WAITING = 200;
const MOST_WAITING_EACH = 40;
/** Who is refused may come again after so long. */
const COME_AGAIN_SECONDS = 2;

/** For who comes when too many wait already. */
export function busy(): Problem {
  return new Problem(503, 'busy', t('thread-pool.escalier-is-busy-just-now-please'), {
    retryAfter: COME_AGAIN_SECONDS,
  });
}

export interface ThreadLimits {
  /** Threads at most. */
  readonly size: number;
  /** Memory of each. */
  readonly megabytes: number;
  /** Questions of one lane that wait at most. */
  readonly mostWaitingEach?: number;
}

interface Waiting {
  readonly question: Question;
  readonly deadlineMs: number;
  readonly resolve: (value: unknown) => void;
  readonly reject: (error: Error) => void;
}

interface Thread {
  readonly worker: Worker;
  ready: boolean;
  doing: Waiting | null;
  timer: NodeJS.Timeout | undefined;
}

/**
 * Threads with a limit of memory and a deadline for each question. A thread that goes over either is ended, its question
 * refused, and a new one started for the others.
 */
export class ThreadPool {
  readonly #here: string;
  readonly #name: string;
  readonly #size: number;
  readonly #memory: ResourceLimits;
  readonly #threads = new Set<Thread>();
  readonly #lanes = new Lanes<Waiting>();
  readonly #mostWaitingEach: number;
  #number = 0;

  /**
   * @param here import.meta.url of who asks.
   * @param name the file that the threads run.
   */
  constructor(here: string, name: string, { size, megabytes, mostWaitingEach = MOST_WAITING_EACH }: ThreadLimits) {
    this.#here = here;
    this.#name = name;
    this.#size = size;
    this.#mostWaitingEach = mostWaitingEach;
    this.#memory = { maxOldGenerationSizeMb: megabytes, maxYoungGenerationSizeMb: 32 };
  }

  /**
   * @param deadlineMs from when a thread begins with it.
   * @param lane lanes take turns: an account's many questions keep no other account waiting.
   * @throws TooMuch over the deadline or the memory; Problem 503 when too many wait already.
   */
  async ask(name: string, args: readonly unknown[], deadlineMs: number, lane = ''): Promise<unknown> {
    if (this.#lanes.size >= MOST_WAITING || this.#lanes.sizeOf(lane) >= this.#mostWaitingEach) throw busy();
    return new Promise((resolve, reject) => {
      const question = { number: (this.#number += 1), name, args };
      this.#lanes.push(lane, { question, deadlineMs, resolve, reject });
      this.#next();
    });
  }

  #next(): void {
    if (this.#lanes.size === 0) return;
    const idle = [...this.#threads].find((thread) => thread.ready && thread.doing === null);
    if (idle !== undefined) return this.#begin(idle, this.#lanes.shift()!);
    const starting = [...this.#threads].some((thread) => !thread.ready);
    if (!starting && this.#threads.size < this.#size) this.#start();
  }

  #start(): void {
    const worker = new Worker(threadFile(this.#here, this.#name), {
      resourceLimits: this.#memory,
      // A thread is built: what the process itself was started with, to read TypeScript for one, is not for it.
      execArgv: [],
    });
    const thread: Thread = { worker, ready: false, doing: null, timer: undefined };
    this.#threads.add(thread);
    worker.on('message', (message: 'ready' | Answer) => {
      if (message === 'ready') thread.ready = true;
      else this.#settle(thread, message);
      // Idle, it keeps no process alive.
      worker.unref();
      this.#next();
    });
    worker.on('error', (error) => this.#lose(thread, error));
    worker.on('exit', () => this.#lose(thread, new Error('The thread ended by itself.')));
  }

  #begin(thread: Thread, waiting: Waiting): void {
    thread.doing = waiting;
    thread.worker.ref();
    thread.worker.postMessage(waiting.question);
    thread.timer = setTimeout(() => {
      this.#lose(thread, new TooMuch(`Not done in ${waiting.deadlineMs} ms.`));
      void thread.worker.terminate();
    }, waiting.deadlineMs);
  }

  #settle(thread: Thread, answer: Answer): void {
    const { doing } = thread;
    if (doing?.question.number !== answer.number) return;
    clearTimeout(thread.timer);
    thread.doing = null;
    if ('broken' in answer) {
      const error = new Error(answer.broken.message);
      error.stack = answer.broken.stack;
      doing.reject(error);
    } else doing.resolve(answer.value);
  }

  #lose(thread: Thread, error: Error): void {
    if (!this.#threads.delete(thread)) return;
    clearTimeout(thread.timer);
    const { doing } = thread;
    thread.doing = null;
    const isMemory = (error as { code?: unknown }).code === 'ERR_WORKER_OUT_OF_MEMORY';
    doing?.reject(isMemory ? new TooMuch('Out of memory.') : error);
    // A thread that does not even start would be started for ever.
    if (!thread.ready)
      for (let waiting = this.#lanes.shift(); waiting !== null; waiting = this.#lanes.shift()) waiting.reject(error);
    this.#next();
  }
}

/**
 * The file that a thread runs, as scripts/build-server.mjs makes it.
 * @param here import.meta.url of who asks: in the product the threads stand beside the server's bundle, and who runs the
 * sources says by ESCALIER_THREADS where they are.
 * @throws Error when nobody has said it.
 */
function threadFile(here: string, name: string): URL {
  if (!here.endsWith('.ts')) return new URL(name, here);
  const folder = process.env.ESCALIER_THREADS;
  if (folder === undefined) throw new Error('ESCALIER_THREADS has to say where the built threads are.');
  return pathToFileURL(join(folder, name));
}
