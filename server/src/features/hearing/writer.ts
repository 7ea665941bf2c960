import type { EntityManager } from '../../platform/database.ts';
import { LOCKS } from '../../platform/locks.ts';
import { columns, fields, typedFields, type RecordRow } from './columns.ts';

/** A row that is in the table, with its number, and whether it is new there. */
export interface Written {
  readonly number: number;
  readonly stored: boolean;
}

/**
 * One statement, which is its own transaction. The rows come as one JSON text, so that a thousand of them are one
 * parameter; `on conflict do nothing` makes two devices that send one event at the same moment store it once.
 */
const INSERT = `
insert into record_event (${columns()}) select ${fields()}
from (select pg_advisory_xact_lock(${LOCKS.recordNumbers})) alone,
  rows from (json_to_recordset(?::json) as (${typedFields()})) with ordinality
order by ordinality
on conflict (id) do nothing
returning id, number::float8 as number`;

const KNOWN = `
select id, school_id as school, kind, pupil_id as pupil, step_id as step, tune_id as tune, outcome, undoes, corrects,
  number::float8 as number
from record_event where id = any(?::uuid[])`;

/** What makes two records of one id the same one. */
const SAME = ['school', 'kind', 'pupil', 'step', 'tune', 'outcome', 'undoes', 'corrects'] as const;
type Sameness = Pick<RecordRow, (typeof SAME)[number]>;
type KnownRow = Sameness & { readonly id: string; readonly number: number };

export function isSame(one: Sameness, other: Sameness): boolean {
  return SAME.every((key) => one[key] === other[key]);
}

/** Stores rows, each once, in their order. Gives them by id; those whose ids belong to other records are left out. */
export async function insertRecords(
  em: EntityManager,
  rows: readonly RecordRow[],
): Promise<ReadonlyMap<string, Written>> {
  if (rows.length === 0) return new Map();
  const fresh = await em.execute<{ id: string; number: number }[]>(INSERT, [JSON.stringify(rows)]);
  const written = new Map(fresh.map(({ id, number }): [string, Written] => [id, { number, stored: true }]));
  const others = rows.filter(({ id }) => !written.has(id));
  if (others.length === 0) return written;
  const known = await em.execute<KnownRow[]>(KNOWN, [`{${others.map(({ id }) => id).join(',')}}`]);
  for (const row of others) {
    const before = known.find(({ id }) => id === row.id);
    if (before !== undefined && isSame(before, row)) written.set(row.id, { number: before.number, stored: false });
  }
  return written;
}
