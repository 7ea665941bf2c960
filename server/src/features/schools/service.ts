import { createHash, randomBytes } from 'node:crypto';
import { addDays } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { Problem } from '../../platform/problem.ts';
import { AccountEntity, SchoolEntity, SessionEntity } from './entities.ts';
import { passwordFits } from './passwords.ts';

const SESSION_DAYS = 30;

export interface NewSession {
  readonly token: string;
  readonly expiresAt: Date;
}

function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

export async function signIn(em: EntityManager, email: string, password: string, now: Date): Promise<NewSession> {
  const account = await em.findOne(AccountEntity, { email: email.toLowerCase() });
  if (!(await passwordFits(account?.passwordHash ?? null, password)) || account === null) {
    throw new Problem(401, 'wrong-sign-in', 'This e-mail and password do not belong together.');
  }
  const token = randomBytes(32).toString('base64url');
  const expiresAt = addDays(now, SESSION_DAYS);
  await em.nativeDelete(SessionEntity, { expiresAt: { $lt: now } });
  await em.insert(SessionEntity, { tokenHash: hashToken(token), account: account.id, createdAt: now, expiresAt });
  return { token, expiresAt };
}

export async function signOut(em: EntityManager, token: string): Promise<void> {
  await em.nativeDelete(SessionEntity, { tokenHash: hashToken(token) });
}

/** Null when the token is unknown or has run out. */
export async function whoHas(em: EntityManager, token: string, now: Date): Promise<SignedIn | null> {
  const session = await em.findOne(SessionEntity, { tokenHash: hashToken(token), expiresAt: { $gte: now } });
  if (session === null) return null;
  const account = await em.findOneOrFail(AccountEntity, { id: session.account });
  const school = await em.findOneOrFail(SchoolEntity, { id: account.school });
  return {
    accountId: account.id,
    schoolId: school.id,
    name: account.name,
    email: account.email,
    schoolName: school.name,
    timeZone: school.timeZone,
  };
}
