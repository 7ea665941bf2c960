import { hash, verify } from '@node-rs/argon2';
import { z } from 'zod';

/** argon2id with OWASP's first recommended parameters: 19 MiB, two passes. */
const PARAMETERS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export function hashPassword(password: string): Promise<string> {
  return hash(password, PARAMETERS);
}

let unknown: Promise<string> | null = null;

/** Takes as long for an unknown account as for a known one, so that nobody learns which e-mails exist. */
export async function passwordFits(storedHash: string | null, password: string): Promise<boolean> {
  unknown ??= hashPassword('no account has this password');
  const fits = await verify(storedHash ?? (await unknown), password);
  return storedHash !== null && fits;
}

export const newPassword = z
  .string('Please give a password.')
  .min(10, 'At least 10 letters: a few words in a row are easy to keep in mind.')
  .max(200, 'At most 200 letters.')
  .refine((password) => new Set(password).size >= 5, 'This is too easy to guess.');
