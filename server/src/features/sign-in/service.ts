import type { SessionLine } from '@escalier/contract/people';
import { addDays, subMinutes } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { admitted } from '../../hasher/index.ts';
import { hashToken, newId, newToken } from '../../platform/ids.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import type { RateLimits } from '../../platform/rate-limits.ts';
import { AccountEntity } from '../accounts/index.ts';
import { logChange } from '../changes/index.ts';
import { forgetDevices, isKnownDevice, knowDevice } from './devices.ts';
import { SessionEntity } from './entities.ts';
import { hashPassword, passwordFits, refuseWeak } from './passwords.ts';
import { t } from '../../platform/messages.ts';

const SESSION_DAYS = 30;
/** A session is not written anew at each request. */
const SEEN_MINUTES = 15;

export interface NewSession {
  readonly token: string;
  /** By which this browser is known again, also when nobody is signed in. */
  readonly deviceToken: string;
  readonly expiresAt: Date;
}

/** From where somebody signs in. */
export interface Device {
  /** Of the network. */
  readonly address: string;
  /** The browser and system as the browser tells them. */
  readonly name: string;
  /** Of its cookie, when it has been here before. */
  readonly token: string | undefined;
}

/** @throws Problem 401 when the two do not belong together, 429 after too many tries, 503 while too many sign in. */
export async function signIn(
  em: EntityManager,
  limits: RateLimits,
  { email, password }: { readonly email: string; readonly password: string },
  device: Device,
  now: Date,
): Promise<NewSession> {
  const isKnown = await isKnownDevice(em, device.token, email);
  const lane = isKnown ? 'known-devices' : 'strangers';
  const attempt = async (): Promise<NewSession> => {
    const tried = { key: whoseGuesses(email, device, isKnown), address: device.address };
    await limits.countTry(tried);
    const account = await em.findOne(AccountEntity, { email: email.toLowerCase(), closedAt: null });
    if (!(await passwordFits(lane, account?.passwordHash ?? null, password)) || account === null) {
      throw new Problem(401, 'wrong-sign-in', t('service.wrong-e-mail-or-password'));
    }
    await limits.forgetTries(tried);
    return openSession(em, { accountId: account.id, schoolId: account.school }, device, now);
  };
  // Who brings no cookie was counted at the door; a cookie may be made up, so its lane is known only now.
  return device.token === undefined ? attempt() : admitted(lane, attempt);
}

/** Strangers share the tries of an account; a device that has been here before has its own. */
function whoseGuesses(email: string, { token }: Device, isKnown: boolean): string {
  return isKnown ? `device ${token} ${email.toLowerCase()}` : `account ${email.toLowerCase()}`;
}

export async function openSession(
  em: EntityManager,
  { accountId, schoolId }: Pick<SignedIn, 'accountId' | 'schoolId'>,
  device: Device,
  now: Date,
): Promise<NewSession> {
  const token = newToken();
  const expiresAt = addDays(now, SESSION_DAYS);
  await em.nativeDelete(SessionEntity, { expiresAt: { $lt: now } });
  await em.insert(SessionEntity, {
    tokenHash: hashToken(token),
    id: newId(),
    account: accountId,
    device: device.name.slice(0, 300),
    createdAt: now,
    seenAt: now,
    expiresAt,
  });
  const deviceToken = await knowDevice(em, accountId, device.token, now);
  await logChange(em, { schoolId, accountId }, accountId, { code: 'signed-in' });
  return { token, deviceToken, expiresAt };
}

export async function signOut(em: EntityManager, token: string): Promise<void> {
  await em.nativeDelete(SessionEntity, { tokenHash: hashToken(token) });
}

const WHO = `
select s.token_hash as "tokenHash", a.id as "accountId", s.id as "sessionId", a.role, c.id as "schoolId", a.name, a.email,
  c.name as "schoolName", c.time_zone as "timeZone", c.english, c.version as "schoolVersion",
  c.note_colours as "noteColours", extract(epoch from s.seen_at)::float8 as "seenAt",
  extract(epoch from s.expires_at)::float8 as "expiresAt", a.seal_key as "sealKey"
from session s join account a on a.id = s.account_id join school c on c.id = a.school_id
where s.token_hash = any(?::text[]) and a.closed_at is null`;

interface SessionRow extends Omit<SignedIn, 'until'> {
  readonly tokenHash: string;
  /** Seconds since 1970. */
  readonly seenAt: number;
  readonly expiresAt: number;
}

export interface AskedWith {
  readonly token: string;
  readonly now: Date;
}

/** Who comes by each token; null when it is unknown or has run out. One statement: every request begins with it. */
export async function whoAsks(em: EntityManager, asked: readonly AskedWith[]): Promise<readonly (SignedIn | null)[]> {
  const hashes = asked.map(({ token }) => hashToken(token));
  const rows = await em.execute<SessionRow[]>(WHO, [`{${[...new Set(hashes)].join(',')}}`]);
  const byHash = new Map(rows.map((row) => [row.tokenHash, row]));
  const seen = new Set<string>();
  const answers = asked.map(({ now }, index): SignedIn | null => {
    const row = byHash.get(hashes[index]!);
    if (row === undefined || row.expiresAt * 1000 < now.getTime()) return null;
    const { tokenHash, seenAt, expiresAt, ...who } = row;
    if (seenAt * 1000 < subMinutes(now, SEEN_MINUTES).getTime()) seen.add(tokenHash);
    return { ...who, until: new Date(expiresAt * 1000) };
  });
  const [first] = asked;
  if (seen.size > 0) await em.nativeUpdate(SessionEntity, { tokenHash: { $in: [...seen] } }, { seenAt: first!.now });
  return answers;
}

export async function listSessions(em: EntityManager, user: SignedIn, now: Date): Promise<readonly SessionLine[]> {
  const rows = await em.find(
    SessionEntity,
    { account: user.accountId, expiresAt: { $gte: now } },
    { orderBy: { seenAt: 'desc' } },
  );
  return rows.map((row) => ({
    id: row.id,
    device: row.device,
    createdAt: row.createdAt.toISOString(),
    seenAt: row.seenAt.toISOString(),
    here: row.id === user.sessionId,
  }));
}

/** @throws Problem 404 when it is not a session of the asker. */
export async function endSession(em: EntityManager, user: SignedIn, id: string): Promise<void> {
  const ended = await em.nativeDelete(SessionEntity, { id, account: user.accountId });
  if (ended === 0) throw notFound('session');
}

/** Changes the asker's password and ends all other sessions. @throws Problem 400 when the old one is wrong. */
export async function changePassword(
  em: EntityManager,
  limits: RateLimits,
  user: SignedIn,
  { current, next }: { readonly current: string; readonly next: string },
  address: string,
): Promise<void> {
  const attempt = { key: `session of ${user.accountId}`, address };
  await limits.countTry(attempt);
  const account = await em.findOneOrFail(AccountEntity, { id: user.accountId });
  if (!(await passwordFits('signed-in', account.passwordHash, current))) {
    throw wrongInput({ current: 'not-password' });
  }
  await limits.forgetTries(attempt);
  await refuseWeak('next', next, [user.email, user.name, user.schoolName]);
  const passwordHash = await hashPassword(next);
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(AccountEntity, { id: user.accountId }, { passwordHash });
    await tx.nativeDelete(SessionEntity, { account: user.accountId, id: { $ne: user.sessionId } });
    await forgetDevices(tx, user.accountId);
    await logChange(tx, user, user.accountId, { code: 'own-password-changed' });
  });
}
