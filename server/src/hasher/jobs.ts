import { scryptSync } from 'node:crypto';
import { hashSync, verifySync } from '@node-rs/argon2';

/** argon2id with OWASP's first recommended parameters: 19 MiB, two passes. */
const PARAMETERS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
const WORDS_BYTES = 32;

/** What a thread is asked, by name; each takes about 40 ms of one core. */
export const JOBS = {
  hashPassword: (password: string): string => hashSync(password, PARAMETERS),
  verifyPassword: (hash: string, password: string): boolean => verifySync(hash, password),
  /** The same for the same words, so that a slip can be found by them; slow, so that a copy of the table tells none. */
  hashWords: (words: string): string => scryptSync(words, 'escalier door', WORDS_BYTES).toString('hex'),
} as const;

export type Jobs = typeof JOBS;
export type JobName = keyof Jobs;
