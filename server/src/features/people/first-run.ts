import { randomInt, timingSafeEqual } from 'node:crypto';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId, newToken } from '../../platform/ids.ts';
import { LOCKS } from '../../platform/locks.ts';
import { Problem, wrongInput } from '../../platform/problem.ts';
import { AccountEntity } from '../accounts/index.ts';
import { logChange } from '../changes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { SetupCodeEntity } from './entities.ts';
import { t } from '../../platform/messages.ts';

/** Puts the tunes and staircases that ship with Escalier into a new school. */
export type FillSchool = (em: EntityManager, schoolId: string) => Promise<void>;

/** Letters and digits that nobody takes for each other. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';

/**
 * The code that whoever sets up the first school has to know; made once, shown at the terminal at every start until
 * there is a school. Null when there is one.
 */
export async function ensureSetupCode(em: EntityManager): Promise<string | null> {
  return em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(?)', [LOCKS.firstRun]);
    if ((await tx.count(SchoolEntity)) > 0) return null;
    const [known] = await tx.findAll(SetupCodeEntity);
    if (known !== undefined) return known.code;
    const letters = Array.from({ length: 8 }, () => SIGNS[randomInt(SIGNS.length)]).join('');
    const code = `${letters.slice(0, 4)}-${letters.slice(4)}`;
    await tx.insert(SetupCodeEntity, { code });
    return code;
  });
}

/** However it was typed: with or without the hyphen, in small letters. */
function isCode(given: string, code: string): boolean {
  const plain = (text: string): Buffer => Buffer.from(text.toUpperCase().replace(/[^A-Z0-9]/g, ''));
  const [one, other] = [plain(given), plain(code)];
  return one.length === other.length && timingSafeEqual(one, other);
}

export interface FirstSchool {
  /** As the terminal shows it. */
  readonly code: string;
  readonly school: string;
  /** IANA name. */
  readonly timeZone: string;
  readonly name: string;
  readonly email: string;
  readonly passwordHash: string;
}

/** Makes the first school and its owner; gives the account. @throws Problem 409 when there is a school. */
export async function setUpSchool(
  em: EntityManager,
  input: FirstSchool,
  fillSchool: FillSchool,
): Promise<Pick<SignedIn, 'accountId' | 'schoolId'>> {
  return em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(?)', [LOCKS.firstRun]);
    if ((await tx.count(SchoolEntity)) > 0)
      throw new Problem(409, 'set-up', t('first-run.there-is-already-a-school-here'));
    const [setup] = await tx.findAll(SetupCodeEntity);
    if (setup === undefined || !isCode(input.code, setup.code)) throw wrongInput({ code: 'wrong-code' });
    await tx.nativeDelete(SetupCodeEntity, {});
    const [schoolId, accountId] = [newId(), newId()];
    await tx.insert(SchoolEntity, { id: schoolId, name: input.school, timeZone: input.timeZone, cautions: null });
    await tx.insert(AccountEntity, {
      id: accountId,
      school: schoolId,
      email: input.email.toLowerCase(),
      name: input.name,
      passwordHash: input.passwordHash,
      role: 'owner',
      closedAt: null,
      sealKey: newToken(),
    });
    await fillSchool(tx, schoolId);
    await logChange(tx, { schoolId, accountId }, schoolId, { code: 'school-set-up', name: input.school });
    return { accountId, schoolId };
  });
}
