import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { Problem } from '../../platform/problem.ts';
import { AccountEntity, noteChange, SchoolEntity } from '../schools/index.ts';

/** Puts the tunes and staircases that ship with Escalier into a new school. */
export type Stock = (em: EntityManager, schoolId: string) => Promise<void>;

export interface FirstSchool {
  readonly school: string;
  /** IANA name. */
  readonly timeZone: string;
  readonly name: string;
  readonly email: string;
  readonly passwordHash: string;
}

/** Any number that no other lock of Escalier uses: two who set up at one moment come one after the other. */
const FIRST_RUN_LOCK = 20_262;

/** Makes the first school and its owner; gives the account. @throws Problem 409 when there is a school. */
export async function setUpSchool(em: EntityManager, input: FirstSchool, stock: Stock): Promise<string> {
  return em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(?)', [FIRST_RUN_LOCK]);
    if ((await tx.count(SchoolEntity)) > 0)
      throw new Problem(409, 'set-up', 'There is a school here already: please sign in, or ask its owner for a link.');
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
    });
    await stock(tx, schoolId);
    await noteChange(tx, { schoolId, accountId }, schoolId, `${input.school}: set up`);
    return accountId;
  });
}
