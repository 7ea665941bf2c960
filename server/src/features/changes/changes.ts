import type { ChangedBy } from '@escalier/contract/refusals';
import type { ChangeFact, ChangeLine } from '@escalier/contract/changes';
import type { EntityData, EntityName, FilterQuery } from '@mikro-orm/core';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { Problem } from '../../platform/problem.ts';
import { ChangeEntity } from './entities.ts';
import { t } from '../../platform/messages.ts';

const MOST_LINES = 500;

/**
 * Logs who changed what, in the transaction of the change.
 * @param about id of the pupil, class, person or term; erasing a pupil takes what these lines say away.
 */
export async function logChange(
  em: EntityManager,
  who: Pick<SignedIn, 'schoolId' | 'accountId'>,
  about: string | null,
  what: ChangeFact,
): Promise<void> {
  await em.insert(ChangeEntity, { id: newId(), school: who.schoolId, account: who.accountId, about, what });
}

/** The latest first. @param before id of the last line of the page before; null for the first page. */
export async function listChanges(
  em: EntityManager,
  user: SignedIn,
  before: string | null,
): Promise<readonly ChangeLine[]> {
  return em.execute<ChangeLine[]>(
    `select c.id, to_char(c.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at, a.name as who, c.what
    from change c join account a on a.id = c.account_id
    where c.school_id = ? and (?::uuid is null or c.id < ?::uuid) order by c.id desc limit ?`,
    [user.schoolId, before, before, MOST_LINES],
  );
}

/** Who changed something last, when and what; undefined when nobody has. @param about as in `logChange`. */
export async function lastChange(em: EntityManager, schoolId: string, about: string): Promise<ChangedBy | undefined> {
  const [line] = await em.execute<ChangedBy[]>(
    `select a.name as by, to_char(c.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at, c.what
    from change c join account a on a.id = c.account_id
    where c.school_id = ? and c.about = ? order by c.id desc limit 1`,
    [schoolId, about],
  );
  return line;
}

/**
 * What a stale form gets to hear: nothing of it was stored.
 * @param about id of the thing that was to be changed.
 */
export async function changedMeanwhile(em: EntityManager, schoolId: string, about: string): Promise<Problem> {
  const line = await lastChange(em, schoolId, about);
  const by = line?.by ?? t('changes.somebody');
  return new Problem(
    409,
    'changed',
    t('changes.by-has-changed-this-since-you', { by }),
    line === undefined ? {} : { changed: line },
  );
}

/**
 * Stores a change of what was read in a certain version, and nothing over a change of somebody else.
 * @throws Problem 409 when it has been changed meanwhile.
 */
export async function changeVersion<Row extends { version?: number | null }>(
  tx: EntityManager,
  { schoolId }: Pick<SignedIn, 'schoolId'>,
  entity: EntityName<Row>,
  { where, about, version }: { readonly where: object; readonly about: string; readonly version: number },
  next: object,
): Promise<void> {
  const changed = await tx.nativeUpdate(
    entity,
    { ...where, version } as FilterQuery<Row>,
    { ...next, version: version + 1 } as unknown as EntityData<Row>,
  );
  if (changed === 0) throw await changedMeanwhile(tx, schoolId, about);
}

/** The names of the fields in which two rows differ; only those that are named in `after`. */
export function changedFields<Row extends object>(before: Row, after: Partial<Row>): string[] {
  const isChanged = (key: keyof Row): boolean =>
    JSON.stringify(after[key] ?? null) !== JSON.stringify(before[key] ?? null);
  return (Object.keys(after) as (keyof Row & string)[]).filter(isChanged);
}
