import { ThreadPool } from '../platform/thread-pool.ts';
import type { JobName, Jobs } from './jobs.ts';

/**
 * Who waits for a hash: strangers at the sign-in page, devices that have signed in before, children with three words, and
 * people who are signed in. They take turns, so that none of them waits for a crowd of another kind.
 */
export type Lane = 'strangers' | 'known-devices' | 'words' | 'signed-in';

const THREADS = 2;
const MEGABYTES = 64;
/** A slow machine under load takes longer than any hash should; beyond that something is broken. */
const DEADLINE_MS = 20_000;
/** A class may type its words at one moment. */
const MOST_WAITING_EACH = 24;

const pool = new ThreadPool(import.meta.url, 'hasher.mjs', {
  size: THREADS,
  megabytes: MEGABYTES,
  mostWaitingEach: MOST_WAITING_EACH,
});

function ask<Name extends JobName>(lane: Lane, name: Name, ...args: Parameters<Jobs[Name]>) {
  return pool.ask(name, args, DEADLINE_MS, lane) as Promise<ReturnType<Jobs[Name]>>;
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
