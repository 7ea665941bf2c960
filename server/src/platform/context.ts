import type { EntityManager } from './database.ts';

/** Who asks: put there by the session middleware, so that a feature never reads a cookie. */
export interface SignedIn {
  readonly accountId: string;
  readonly schoolId: string;
  readonly name: string;
  readonly email: string;
  readonly schoolName: string;
  readonly timeZone: string;
}

/** What every route finds in its context. */
export interface Variables {
  /** Of this request alone. */
  em: EntityManager;
  who: SignedIn;
  /** By the server's clock. */
  now: Date;
}

export interface AppEnv {
  Variables: Variables;
}
