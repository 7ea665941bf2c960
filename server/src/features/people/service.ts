import type { ChangeFact } from '@escalier/contract/changes';
import type { InvitationInput, Invited, NewLink, People, PersonChange } from '@escalier/contract/people';
import { addDays } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { hashToken, newId, newToken } from '../../platform/ids.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import { AccountEntity } from '../accounts/index.ts';
import { changeVersion, logChange } from '../changes/index.ts';
import { ClassEntity, ClassTeacherEntity } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { forgetDevices, SessionEntity } from '../sign-in/index.ts';
import { InvitationEntity } from './entities.ts';
import { t } from '../../platform/messages.ts';

const LINK_DAYS = 7;

export async function listPeople(em: EntityManager, user: SignedIn, now: Date): Promise<People> {
  const school = user.schoolId;
  const accounts = await em.find(AccountEntity, { school }, { orderBy: { name: 'asc' } });
  const ids = accounts.map((account) => account.id);
  const teaching = await em.find(ClassTeacherEntity, { account: { $in: ids } });
  const sessions = await em.find(SessionEntity, { account: { $in: ids } }, { orderBy: { seenAt: 'desc' } });
  const classes = await em.find(ClassEntity, { school }, { orderBy: { name: 'asc' } });
  const open = await em.find(InvitationEntity, { school, expiresAt: { $gt: now } }, { orderBy: { createdAt: 'asc' } });
  return {
    people: accounts.map((account) => ({
      id: account.id,
      name: account.name,
      email: account.email,
      role: account.role,
      classIds: teaching.filter((each) => each.account === account.id).map((each) => each.schoolClass),
      seenAt: sessions.find((session) => session.account === account.id)?.seenAt.toISOString() ?? null,
      closed: (account.closedAt ?? null) !== null,
      version: account.version,
    })),
    invitations: open.map((each) => ({
      id: each.id,
      name: each.name,
      role: each.role,
      classIds: each.classIds,
      forAccount: (each.account ?? null) !== null,
      expiresAt: each.expiresAt.toISOString(),
    })),
    classes: classes.map(({ id, name }) => ({ id, name })),
  };
}

/**
 * Changes what somebody may do. Closing an account ends its sessions; its records stay.
 * @throws Problem 404 for a person of another school; 400 when nobody would be left who owns the school.
 */
export async function changePerson(em: EntityManager, user: SignedIn, id: string, input: PersonChange, now: Date) {
  await em.transactional(async (tx) => {
    await lockSchool(tx, user.schoolId);
    const account = await tx.findOne(AccountEntity, { id, school: user.schoolId });
    if (account === null) throw notFound('person');
    await checkClasses(tx, user, input.classIds);
    const owners = await tx.count(AccountEntity, {
      school: user.schoolId,
      role: 'owner',
      closedAt: null,
      id: { $ne: id },
    });
    if (owners === 0 && (input.closed || input.role !== 'owner'))
      throw wrongInput({ role: { code: 'only-owner', name: account.name } });
    const closedAt = input.closed ? (account.closedAt ?? now) : null;
    const { role, version } = input;
    await changeVersion(tx, user, AccountEntity, { where: { id }, about: id, version }, { role, closedAt });
    await tx.nativeDelete(ClassTeacherEntity, { account: id });
    await tx.insertMany(
      ClassTeacherEntity,
      input.classIds.map((schoolClass) => ({ schoolClass, account: id })),
    );
    if (input.closed) await tx.nativeDelete(SessionEntity, { account: id });
    await logChange(tx, user, id, {
      code: 'person-changed',
      name: account.name,
      role: input.role,
      classes: input.classIds.length,
      closed: input.closed,
    });
  });
}

/** Two owners who each take the other's role away come one after the other. */
async function lockSchool(em: EntityManager, schoolId: string): Promise<void> {
  await em.execute('select id from school where id = ? for update', [schoolId]);
}

async function checkClasses(em: EntityManager, user: SignedIn, classIds: readonly string[]): Promise<void> {
  const known = await em.count(ClassEntity, { school: user.schoolId, id: { $in: [...classIds] } });
  if (known !== new Set(classIds).size) throw wrongInput({ classIds: 'unknown' });
}

/** A link by which somebody makes an account of their own. */
export async function invite(em: EntityManager, user: SignedIn, input: InvitationInput, now: Date): Promise<NewLink> {
  await checkClasses(em, user, input.classIds);
  return newLink(em, user, { ...input, account: null }, now, {
    code: 'person-invited',
    name: input.name,
    role: input.role,
  });
}

/** A link by which somebody who has forgotten the password sets a new one. */
export async function invitePassword(em: EntityManager, user: SignedIn, id: string, now: Date): Promise<NewLink> {
  const account = await em.findOne(AccountEntity, { id, school: user.schoolId, closedAt: null });
  if (account === null) throw notFound('person');
  const { name, role } = account;
  return newLink(em, user, { name, role, classIds: [], account: id }, now, { code: 'password-link-made', name });
}

async function newLink(
  em: EntityManager,
  user: SignedIn,
  input: InvitationInput & { readonly account: string | null },
  now: Date,
  what: ChangeFact,
): Promise<NewLink> {
  const [token, expiresAt] = [newToken(), addDays(now, LINK_DAYS)];
  await em.transactional(async (tx) => {
    if (input.account !== null) await tx.nativeDelete(InvitationEntity, { account: input.account });
    await tx.insert(InvitationEntity, {
      id: newId(),
      school: user.schoolId,
      tokenHash: hashToken(token),
      createdAt: now,
      expiresAt,
      ...input,
      classIds: [...input.classIds],
    });
    await logChange(tx, user, input.account, what);
  });
  return { token, expiresAt: expiresAt.toISOString() };
}

export async function withdraw(em: EntityManager, user: SignedIn, id: string): Promise<void> {
  const found = await em.findOne(InvitationEntity, { id, school: user.schoolId });
  if (found === null) throw notFound('invitation');
  await em.transactional(async (tx) => {
    await tx.nativeDelete(InvitationEntity, { id });
    await logChange(tx, user, found.account ?? null, { code: 'link-withdrawn', name: found.name });
  });
}

/** @throws Problem 404 when the link is unknown, used or has run out. */
export async function openInvitation(em: EntityManager, token: string, now: Date): Promise<Invited> {
  const found = await findInvitation(em, token, now);
  const school = await em.findOneOrFail(SchoolEntity, { id: found.school });
  const account =
    (found.account ?? null) === null ? null : await em.findOneOrFail(AccountEntity, { id: found.account! });
  return { school: school.name, name: found.name, role: found.role, email: account?.email ?? null };
}

async function findInvitation(em: EntityManager, token: string, now: Date) {
  const found = await em.findOne(InvitationEntity, { tokenHash: hashToken(token), expiresAt: { $gt: now } });
  if (found === null) throw new Problem(404, 'not-found', t('service.this-link-has-been-used-or'));
  return found;
}

export interface Acceptance {
  readonly name: string;
  readonly email: string;
  readonly passwordHash: string;
}

/** Uses a link up and gives the account. @throws Problem 404 as above; 400 when the e-mail is taken. */
export async function acceptInvitation(
  em: EntityManager,
  token: string,
  { name, email, passwordHash }: Acceptance,
  now: Date,
): Promise<Pick<SignedIn, 'accountId' | 'schoolId'>> {
  return em.transactional(async (tx) => {
    await tx.execute('select id from invitation where token_hash = ? for update', [hashToken(token)]);
    const found = await findInvitation(tx, token, now);
    await tx.nativeDelete(InvitationEntity, { id: found.id });
    const account = found.account ?? null;
    if (account !== null) {
      const key = { schoolId: found.school, accountId: account };
      await tx.nativeUpdate(AccountEntity, { id: account }, { passwordHash });
      await tx.nativeDelete(SessionEntity, { account });
      await forgetDevices(tx, account);
      // Whoever else holds a link for this password can use it no more.
      await tx.nativeDelete(InvitationEntity, { account });
      await logChange(tx, key, account, { code: 'password-set-by-link', name: found.name });
      return key;
    }
    if ((await tx.count(AccountEntity, { email: email.toLowerCase() })) > 0) throw wrongInput({ email: 'email-taken' });
    const [id, school] = [newId(), found.school];
    await tx.insert(AccountEntity, {
      id,
      school,
      email: email.toLowerCase(),
      name,
      passwordHash,
      role: found.role,
      closedAt: null,
      sealKey: newToken(),
    });
    const classes = await tx.find(ClassEntity, { school, id: { $in: found.classIds } });
    await tx.insertMany(
      ClassTeacherEntity,
      classes.map((each) => ({ schoolClass: each.id, account: id })),
    );
    await logChange(tx, { schoolId: school, accountId: id }, id, { code: 'person-joined', name, role: found.role });
    return { accountId: id, schoolId: school };
  });
}
