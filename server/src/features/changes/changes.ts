import type { EntityData, EntityName, FilterQuery } from '@mikro-orm/core';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { Problem, type Changed } from '../../platform/problem.ts';
import { ChangeEntity } from './entities.ts';

export interface ChangeLine {
  readonly id: string;
  /** ISO 8601 in UTC. */
  readonly at: string;
  readonly who: string;
  readonly words: string;
}

const MOST_LINES = 500;

/**
 * Notes who changed what, in the transaction of the change.
 * @param about id of the pupil, class, person or term; erasing a pupil takes the words of these lines away.
 */
export async function noteChange(
  em: EntityManager,
  who: Pick<SignedIn, 'schoolId' | 'accountId'>,
  about: string | null,
  words: string,
): Promise<void> {
  await em.insert(ChangeEntity, { id: newId(), school: who.schoolId, account: who.accountId, about, words });
}

/** The latest first. @param before id of the last line of the page before; null for the first page. */
export async function listChanges(
  em: EntityManager,
  who: SignedIn,
  before: string | null,
): Promise<readonly ChangeLine[]> {
  return em.execute<ChangeLine[]>(
    `select c.id, to_char(c.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at, a.name as who, c.words
    from change c join account a on a.id = c.account_id
    where c.school_id = ? and (?::uuid is null or c.id < ?::uuid) order by c.id desc limit ?`,
    [who.schoolId, before, before, MOST_LINES],
  );
}

/** Who changed something last, when and what; undefined when nobody has. @param about as in `noteChange`. */
export async function lastChange(em: EntityManager, schoolId: string, about: string): Promise<Changed | undefined> {
  const [line] = await em.execute<Changed[]>(
    `select a.name as by, to_char(c.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at, c.words
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
  const by = line?.by ?? 'Somebody';
  return new Problem(
    409,
    'changed',
    `${by} has changed this since you opened it.`,
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

/** "name, start step": what differs between two rows, in words; empty when nothing does. */
export function changedFields<Row extends object>(
  before: Row,
  after: Partial<Row>,
  words: Readonly<Partial<Record<keyof Row, string>>>,
): string {
  const changed = (Object.keys(words) as (keyof Row)[]).filter(
    (key) => key in after && JSON.stringify(after[key] ?? null) !== JSON.stringify(before[key] ?? null),
  );
  return changed.map((key) => words[key]).join(', ');
}
