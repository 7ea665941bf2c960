import { createHash } from 'node:crypto';
import { addSeconds, subMinutes } from 'date-fns';
import type { EntityManager } from '../../platform/database.ts';
import { Problem } from '../../platform/problem.ts';
import { SignInTryEntity } from './entities.ts';

/** Tries that are free, and the longest wait in seconds; each try beyond them doubles the wait. */
const FREE = 5;
const FIRST_WAIT = 15;
const LONGEST_WAIT = 900;
/** After so many quiet minutes the count begins anew. */
const FORGET_MINUTES = 30;

/** No wait: a moment before every clock, for that of a server beside this one may be a little behind. */
const AT_ONCE = new Date(0);

/** A whole school may share one address, so an address is only slowed down, and never refused. */
const ADDRESS_FREE = 60;
const ADDRESS_STEP_MS = 50;
const ADDRESS_LONGEST_MS = 2000;

/** What is counted: never more than a hash of it is kept. */
export interface Throttled {
  /** One whose guesses count together: an account as strangers see it, a known device of an account, a session. */
  readonly key: string;
  /** Of the network; empty where there is none between. */
  readonly address: string;
}

function hash(text: string): string {
  return createHash('sha256').update(text).digest('hex');
}

/**
 * Counts a try before it is known whether it succeeds, so that any number at one moment, at any number of servers, are
 * counted one after the other.
 * @throws Problem 429 with the time to wait: then nothing may be tried.
 */
export async function countTry(em: EntityManager, { key, address }: Throttled, now: Date): Promise<void> {
  const { failures, refusedFor } = await countOne(em, hash(key), now, FREE);
  if (refusedFor > 0) throw tooMany(refusedFor);
  if (failures % 20 === 0) await forgetOld(em, now);
  if (address === '') return;
  const counted = await countOne(em, hash(`address ${address}`), now, Infinity);
  const delay = Math.min(ADDRESS_LONGEST_MS, Math.max(0, counted.failures - ADDRESS_FREE) * ADDRESS_STEP_MS);
  if (delay > 0) await new Promise((resolve) => setTimeout(resolve, delay));
}

function tooMany(wait: number): Problem {
  const seconds = wait === 1 ? 'a second' : `${wait} seconds`;
  const words = wait <= 90 ? seconds : `${Math.ceil(wait / 60)} minutes`;
  return new Problem(429, 'too-many-tries', `Too many tries. Please wait ${words}, then try again.`);
}

interface Counted {
  readonly failures: number;
  /** Seconds; 0 when the try is allowed. */
  readonly refusedFor: number;
}

async function countOne(em: EntityManager, key: string, now: Date, free: number): Promise<Counted> {
  return em.fork().transactional(async (tx) => {
    // Made or locked in one statement: between two, somebody who has just signed in could wipe the row.
    await tx.execute(
      `insert into sign_in_try (key, failures, last_at, wait_until) values (?, 0, ?, ?)
        on conflict (key) do update set key = excluded.key`,
      [key, now, AT_ONCE],
    );
    const row = await tx.findOneOrFail(SignInTryEntity, { key }, { refresh: true });
    const refusedFor = Math.ceil((row.waitUntil.getTime() - now.getTime()) / 1000);
    if (refusedFor > 0) return { failures: row.failures, refusedFor };
    const failures = row.lastAt < subMinutes(now, FORGET_MINUTES) ? 1 : row.failures + 1;
    const over = failures - free;
    const waitUntil =
      over < 0 ? AT_ONCE : addSeconds(now, Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** Math.min(over, 10)));
    await tx.nativeUpdate(SignInTryEntity, { key }, { failures, lastAt: now, waitUntil });
    return { failures, refusedFor: 0 };
  });
}

/**
 * Counts a guess at something that many at one address may try, such as the words of a slip. Nothing wipes the count but
 * time: one right guess buys no further wrong ones.
 * @param free guesses before each has to wait. @throws Problem 429 with the time to wait.
 */
export async function countGuess(em: EntityManager, key: string, now: Date, free: number): Promise<void> {
  const { failures, refusedFor } = await countOne(em, hash(key), now, free);
  if (refusedFor > 0) throw tooMany(refusedFor);
  if (failures % 20 === 0) await forgetOld(em, now);
}

/** A try that went well wipes the count; that of the address runs out by itself. */
export async function forgetTries(em: EntityManager, { key }: Throttled, now: Date): Promise<void> {
  await em.nativeDelete(SignInTryEntity, { key: hash(key) });
  await forgetOld(em, now);
}

async function forgetOld(em: EntityManager, now: Date): Promise<void> {
  await em.nativeDelete(SignInTryEntity, {
    lastAt: { $lt: subMinutes(now, FORGET_MINUTES) },
    waitUntil: { $lt: now },
  });
}
