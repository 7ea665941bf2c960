import { createHash, randomBytes } from 'node:crypto';
import { v7 } from 'uuid';

/** Ids grow with time, so that rows made together stand together. */
export function newId(): string {
  return v7();
}

/** A secret of 256 bits for an address or a cookie. */
export function newToken(): string {
  return randomBytes(32).toString('base64url');
}

/** What the database keeps of a secret: who reads the table can use none of them. */
export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}
