import { setTimeout as pause } from 'node:timers/promises';
import { busy, ThreadPool } from '../platform/thread-pool.ts';
import type { JobName, Jobs } from './jobs.ts';

/**
 * Who waits for a hash: strangers at the sign-in page, devices that have signed in before, children with three words, and
 * people who are signed in. They take turns, so that none of them waits for a crowd of another kind.
 */
export type Lane = Crowd | 'signed-in';

const THREADS = 2;
const MEGABYTES = 64;
/** A slow machine under load takes longer than any hash should; beyond that something is broken. */
const DEADLINE_MS = 20_000;
/** So many of a kind are let in at one moment, to be counted and hashed; a class may type its words at once. */
const MOST_AT_ONCE = { strangers: 6, 'known-devices': 12, words: 24 } as const;
/** Whoever is not signed in yet, and may come as a crowd. */
type Crowd = keyof typeof MOST_AT_ONCE;
const atWork: Record<Crowd, number> = { strangers: 0, 'known-devices': 0, words: 0 };

const pool = new ThreadPool(import.meta.url, 'hasher.mjs', {
  size: THREADS,
  megabytes: MEGABYTES,
  mostWaitingEach: Math.max(...Object.values(MOST_AT_ONCE)),
});

function ask<Name extends JobName>(lane: Lane, name: Name, ...args: Parameters<Jobs[Name]>) {
  return pool.ask(name, args, DEADLINE_MS, lane) as Promise<ReturnType<Jobs[Name]>>;
}

/**
 * Lets a try in, or refuses it before it has cost anything: a crowd that guesses must not even be counted one by one while
 * somebody teaches. @throws Problem 503 with the time to wait.
 */
export async function admitted<Value>(lane: Crowd, work: () => Promise<Value>): Promise<Value> {
  if (atWork[lane] >= MOST_AT_ONCE[lane]) {
    await holdOff();
    throw busy();
  }
  atWork[lane] += 1;
  try {
    return await work();
  } finally {
    atWork[lane] -= 1;
  }
}

/** Who is refused waits first, at no cost: a crowd that is answered at once is back at once. */
const HOLD_MS = 1000;
const MOST_HELD = 1000;
let held = 0;

async function holdOff(): Promise<void> {
  if (held >= MOST_HELD) return;
  held += 1;
  await pause(HOLD_MS);
  held -= 1;
}

/**
 * Slow hashes, two at a time, in threads of their own: what serves files and requests never waits for them.
 * Each throws Problem 503 when as many wait already as are worth waiting for.
 */
export const hasher = {
  hashPassword: (lane: Lane, password: string) => ask(lane, 'hashPassword', password),
  verifyPassword: (lane: Lane, hash: string, password: string) => ask(lane, 'verifyPassword', hash, password),
  hashWords: (lane: Lane, words: string) => ask(lane, 'hashWords', words),
} as const;
