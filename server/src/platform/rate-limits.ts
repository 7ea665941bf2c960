import { createHash } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { defineEntity } from '@mikro-orm/core';
import ipaddr from 'ipaddr.js';
import pg from 'pg';
import { RateLimiterPostgres, RateLimiterRes, type IRateLimiterPostgresOptions } from 'rate-limiter-flexible';
import { Problem } from './problem.ts';
import { t } from './messages.ts';

/** Tries that are free; after them come a wait and as many tries again, and each wait is twice as long as the last. */
const FREE_TRIES = 5;
const FIRST_WAIT = 30;
const LONGEST_WAIT = 900;
/** Seconds after which a quiet account has a clean slate. */
const FORGET = 1800;

/** A whole school may share one address, so an address is only slowed down at the sign-in page, and never refused. */
const ADDRESS_FREE = 60;
const ADDRESS_STEP_MS = 50;
const ADDRESS_LONGEST_MS = 2000;

const GUESS_WINDOW = 900;
/** Wrong guesses at three words from one address before it has to wait: a class types them at one time. */
const FREE_GUESSES = 40;
/** Wrong guesses at all addresses together from which on somebody must be guessing from many of them. */
const GUESSES_OF_ALL = 400;
/** What is free then for an address that nobody has come in from. */
const FREE_WHILE_UNDER_GUESSING = 5;
/** Wrong guesses that the right words of one more slip buy their address. */
const CREDIT = 3;

/** For what is counted and never refused. */
const WITHOUT_END = 2 ** 31 - 1;

/** What is counted: never more than a hash of it is kept. */
export interface Throttled {
  /** One whose guesses count together: an account as strangers see it, a known device of an account, a session. */
  readonly key: string;
  /** Of the network; empty where there is none between. */
  readonly address: string;
}

/** How often somebody tried or guessed, as rate-limiter-flexible keeps it; rows whose time is over go within the hour. */
export const RateLimitEntity = defineEntity({
  name: 'RateLimit',
  tableName: 'rate_limit',
  properties: (p) => ({
    /** What is counted, and a SHA-256 of whose. */
    key: p.string().primary(),
    points: p.integer().default(0),
    /** Milliseconds since 1970. */
    expire: p.bigint('number').nullable(),
  }),
});

export interface RateLimits {
  /**
   * Counts a try before it is known whether it succeeds, so that any number at one moment, at any number of servers, are
   * all counted. @throws Problem 429 with the time to wait: then nothing may be tried.
   */
  readonly countTry: (throttled: Throttled) => Promise<void>;
  /** A try that went well wipes the count, and counts for its address no longer. */
  readonly forgetTries: (throttled: Throttled) => Promise<void>;
  /** Counts a guess at the three words of a slip. @throws Problem 429 with the time to wait. */
  readonly countGuess: (address: string) => Promise<void>;
  /**
   * The words were right: takes the guess back, and the first time that a slip comes in from an address gives that address
   * a few more. @param slip its pupil's id: the same slip again buys nothing.
   */
  readonly guessedRight: (address: string, slip: string) => Promise<void>;
  readonly close: () => Promise<void>;
}

function hash(text: string): string {
  return createHash('sha256').update(text).digest('hex');
}

/** Whose guesses count together: an IPv4 address, or the 64 bits that one household or school has of IPv6. */
export function networkOf(address: string): string {
  if (!ipaddr.isValid(address)) return address;
  const parsed = ipaddr.process(address);
  if (parsed instanceof ipaddr.IPv4) return parsed.toString();
  const prefix = parsed.parts.slice(0, 4).map((part) => part.toString(16));
  return `${prefix.join(':')}::/64`;
}

function tooMany(milliseconds: number): Problem {
  const wait = Math.min(LONGEST_WAIT, Math.max(1, Math.ceil(milliseconds / 1000)));
  const seconds = wait === 1 ? 'a second' : `${wait} seconds`;
  const words = wait <= 90 ? seconds : `${Math.ceil(wait / 60)} minutes`;
  return new Problem(429, 'too-many-tries', t('rate-limits.too-many-tries-please-wait-words', { words }), {
    retryAfter: wait,
  });
}

/** Null when it is allowed, else how it was refused. */
async function refusal(counted: Promise<RateLimiterRes>): Promise<RateLimiterRes | null> {
  try {
    await counted;
    return null;
  } catch (error) {
    if (error instanceof RateLimiterRes) return error;
    throw error;
  }
}

/**
 * Counts in PostgreSQL, one statement a count, over two connections of their own: however many guess, those who work
 * find a connection.
 */
export function rateLimits(databaseUrl: string): RateLimits {
  const storeClient = new pg.Pool({ connectionString: databaseUrl, max: 2 });
  // A connection that is lost while nobody uses it is made anew by the next one.
  storeClient.on('error', () => undefined);
  const limiter = (options: Omit<IRateLimiterPostgresOptions, 'storeClient'>) =>
    new RateLimiterPostgres({
      storeClient,
      storeType: 'pool',
      tableName: 'rate_limit',
      tableCreated: true,
      ...options,
    });
  const tries = limiter({ keyPrefix: 'try', points: FREE_TRIES, duration: FORGET });
  const waits = limiter({ keyPrefix: 'wait', points: WITHOUT_END, duration: LONGEST_WAIT + FORGET });
  const addresses = limiter({ keyPrefix: 'address', points: WITHOUT_END, duration: FORGET });
  const guesses = limiter({ keyPrefix: 'guess', points: FREE_GUESSES, duration: GUESS_WINDOW });
  const allGuesses = limiter({ keyPrefix: 'guesses', points: GUESSES_OF_ALL, duration: GUESS_WINDOW });
  const credits = limiter({ keyPrefix: 'credit', points: 1, duration: GUESS_WINDOW });
  const EVERYBODY = 'all';

  async function countTry({ key, address }: Throttled): Promise<void> {
    const refused = await refusal(tries.consume(hash(key)));
    if (refused !== null) {
      if (refused.consumedPoints !== FREE_TRIES + 1) {
        // Between the count and the block of one that came at the same moment, the row still has its first time.
        const isBlocked = refused.msBeforeNext <= LONGEST_WAIT * 1000;
        throw tooMany(isBlocked ? refused.msBeforeNext : FIRST_WAIT * 1000);
      }
      const { consumedPoints: times } = await waits.penalty(hash(key));
      const wait = Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** (times - 1));
      await tries.block(hash(key), wait);
      throw tooMany(wait * 1000);
    }
    if (address === '') return;
    const { consumedPoints } = await addresses.penalty(hash(networkOf(address)));
    const delay = Math.min(ADDRESS_LONGEST_MS, (consumedPoints - ADDRESS_FREE) * ADDRESS_STEP_MS);
    if (delay > 0) await pause(delay);
  }

  async function forgetTries({ key, address }: Throttled): Promise<void> {
    await tries.delete(hash(key));
    await waits.delete(hash(key));
    if (address !== '') await addresses.reward(hash(networkOf(address)));
  }

  async function countGuess(address: string): Promise<void> {
    const refused = await refusal(guesses.consume(hash(networkOf(address))));
    if (refused !== null) throw tooMany(refused.msBeforeNext);
    if ((await refusal(allGuesses.consume(EVERYBODY))) === null) return;
    const own = await guesses.get(hash(networkOf(address)));
    if (own !== null && own.consumedPoints > FREE_WHILE_UNDER_GUESSING) throw tooMany(own.msBeforeNext);
  }

  async function guessedRight(address: string, slip: string): Promise<void> {
    const own = hash(networkOf(address));
    const isNew = (await refusal(credits.consume(hash(`${own} ${slip}`)))) === null;
    await guesses.reward(own, isNew ? 1 + CREDIT : 1);
    await allGuesses.reward(EVERYBODY);
  }

  return { countTry, forgetTries, countGuess, guessedRight, close: () => storeClient.end() };
}
