import { createHash } from 'node:crypto';
import { addSeconds, subMinutes } from 'date-fns';
import type { EntityManager } from '../../platform/database.ts';
import { Problem } from '../../platform/problem.ts';
import { SignInTryEntity } from './entities.ts';

/** Tries that are free, and the longest wait in seconds; in between each failure doubles the wait. */
interface Patience {
  readonly free: number;
  readonly longest: number;
}
const PERSON: Patience = { free: 5, longest: 900 };
/** A whole school may share one address: it is slowed down, not locked out. */
const ADDRESS: Patience = { free: 100, longest: 30 };
const FIRST_WAIT = 15;
/** After so many quiet minutes the count begins anew. */
const FORGET_MINUTES = 30;

export interface SignInTry {
  readonly email: string;
  /** Of the network; people behind one router share it. */
  readonly address: string;
}

/** Counted are a person from an address, so that nobody can lock another out from afar, and an address as a whole. */
function keysOf({ email, address }: SignInTry): readonly (readonly [key: string, patience: Patience])[] {
  const hash = (text: string): string => createHash('sha256').update(text).digest('hex');
  return [
    [hash(`person ${email.toLowerCase()} ${address}`), PERSON],
    [hash(`address ${address}`), ADDRESS],
  ];
}

/** @throws Problem 429 with the seconds to wait. */
export async function checkThrottle(em: EntityManager, attempt: SignInTry, now: Date): Promise<void> {
  const rows = await em.find(SignInTryEntity, {
    key: { $in: keysOf(attempt).map(([key]) => key) },
    waitUntil: { $gt: now },
  });
  const seconds = Math.ceil(Math.max(0, ...rows.map((row) => row.waitUntil.getTime() - now.getTime())) / 1000);
  if (seconds > 0)
    throw new Problem(429, 'too-many-tries', `Too many tries. Please wait ${waitWords(seconds)}, then try again.`);
}

function waitWords(seconds: number): string {
  return seconds <= 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;
}

/** One statement a key, so that many tries at one moment are all counted, by any number of servers. */
export async function noteFailure(em: EntityManager, attempt: SignInTry, now: Date): Promise<void> {
  for (const [key, { free, longest }] of keysOf(attempt)) {
    const [row] = await em.execute<{ failures: number }[]>(
      `insert into sign_in_try (key, failures, last_at, wait_until) values (?, 1, ?, ?)
      on conflict (key) do update set last_at = excluded.last_at,
        failures = case when sign_in_try.last_at < ? then 1 else sign_in_try.failures + 1 end
      returning failures`,
      [key, now, now, subMinutes(now, FORGET_MINUTES)],
    );
    const over = (row?.failures ?? 0) - free;
    if (over < 0) continue;
    const waitUntil = addSeconds(now, Math.min(longest, FIRST_WAIT * 2 ** Math.min(over, 10)));
    await em.nativeUpdate(SignInTryEntity, { key }, { waitUntil });
  }
}

/** A sign-in that went well wipes the person's failures; those of the address run out by themselves. */
export async function forgetFailures(em: EntityManager, attempt: SignInTry, now: Date): Promise<void> {
  const [person] = keysOf(attempt);
  await em.nativeDelete(SignInTryEntity, {
    $or: [{ key: person![0] }, { lastAt: { $lt: subMinutes(now, FORGET_MINUTES) } }],
  });
}
