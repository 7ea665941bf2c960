import type { Role } from '@escalier/contract/people';
import type { English } from '@escalier/messages';
import type { NoteColours } from '@escalier/core/practice';
import type { Network } from './client.ts';
import type { EntityManager } from './database.ts';
import type { RateLimits } from './rate-limits.ts';

/** Who asks: put there by the session middleware, so that a feature never reads a cookie. */
export interface SignedIn {
  readonly accountId: string;
  readonly sessionId: string;
  readonly role: Role;
  readonly schoolId: string;
  readonly name: string;
  readonly email: string;
  readonly schoolName: string;
  readonly timeZone: string;
  readonly english: English;
  readonly schoolVersion: number;
  /** Of note heads; null for the usual ones. */
  readonly noteColours: NoteColours | null;
  /** Seals what a device keeps of this account. */
  readonly sealKey: string;
  /** When the session runs out. */
  readonly until: Date;
}

/** What every route finds in its context. */
export interface Variables {
  /** Of this request alone. */
  em: EntityManager;
  who: SignedIn;
  /** Who comes by a token of a session; null when it is unknown or has run out. */
  session: (asked: { readonly token: string; readonly now: Date }) => Promise<SignedIn | null>;
  /** By the server's clock. */
  now: Date;
  /** For what goes on longer than the request. */
  clock: () => Date;
  network: Network;
  limits: RateLimits;
  /** Each answer is held against its schema: in tests. */
  checksAnswers: boolean;
  /** By which the log knows this request. */
  requestId: string;
}

export interface AppEnv {
  Variables: Variables;
}
