import type { Outcome } from '@escalier/core/records';
import type { EntityManager, Orm } from '../../platform/database.ts';

/** A record as it goes into its table. */
export interface RecordRow {
  readonly id: string;
  readonly school: string;
  readonly schoolClass: string;
  readonly account: string;
  readonly kind: 'heard' | 'undone';
  readonly pupil: string;
  readonly step: string;
  readonly tune: string | null;
  readonly outcome: Outcome | null;
  readonly remarks: readonly string[];
  readonly tempo: number | null;
  readonly undoes: string | null;
  readonly corrects: string | null;
  readonly reason: string;
  readonly heardAt: Date;
  readonly deviceAhead: number;
  readonly receivedAt: Date;
}

/** What became of a row: its number, whether it is new; null when its id belongs to another record. */
export type Written = { readonly number: number; readonly stored: boolean } | null;

export interface RecordWriter {
  /** Gives what became of each row, in their order, after the commit. */
  write(rows: readonly RecordRow[]): Promise<readonly Written[]>;
}

/** Any number that no other lock of Escalier uses: numbers are given in the order of the commits. */
const NUMBER_LOCK = 20_262;

/**
 * `on conflict do nothing` makes two devices that send one event at the same moment store it once. The rows come as one
 * JSON text, so that a thousand of them are one statement.
 */
const INSERT = `
insert into record_event (id, school_id, school_class_id, account_id, kind, pupil_id, step_id, tune_id, outcome, remarks,
  tempo, undoes, corrects, reason, heard_at, device_ahead, received_at)
select id, school, "schoolClass", account, kind, pupil, step, tune, outcome, remarks, tempo, undoes, corrects, reason,
  "heardAt", "deviceAhead", "receivedAt"
from rows from (json_to_recordset(?::json) as (id uuid, school uuid, "schoolClass" uuid, account uuid, kind text,
  pupil uuid, step uuid, tune uuid, outcome text, remarks jsonb, tempo int, undoes uuid, corrects uuid, reason text,
  "heardAt" timestamptz, "deviceAhead" int, "receivedAt" timestamptz)) with ordinality
order by ordinality
on conflict (id) do nothing
returning id, number::float8 as number`;

const KNOWN = `
select id, school_id as school, kind, pupil_id as pupil, step_id as step, tune_id as tune, outcome, undoes, corrects,
  number::float8 as number
from record_event where id = any(?::uuid[])`;

type KnownRow = Pick<RecordRow, 'id' | (typeof SAME)[number]> & { readonly number: number };
/** What makes two records of one id the same one. */
const SAME = ['school', 'kind', 'pupil', 'step', 'tune', 'outcome', 'undoes', 'corrects'] as const;

interface Waiting {
  readonly rows: readonly RecordRow[];
  readonly resolve: (written: readonly Written[]) => void;
  readonly reject: (error: unknown) => void;
}

/**
 * Writes records in groups: what comes while one transaction is on its way goes into the next, so that many at one
 * moment share a commit. Nobody is told before it.
 */
export function recordWriter(orm: Orm): RecordWriter {
  let waiting: Waiting[] = [];
  let writing = false;

  async function run(): Promise<void> {
    writing = true;
    while (waiting.length > 0) {
      const group = waiting;
      waiting = [];
      await writeGroup(orm.em.fork(), group);
    }
    writing = false;
  }

  return {
    write: (rows) =>
      new Promise((resolve, reject) => {
        waiting.push({ rows, resolve, reject });
        if (!writing) void run();
      }),
  };
}

async function writeGroup(em: EntityManager, group: readonly Waiting[]): Promise<void> {
  try {
    const written = await insert(
      em,
      group.flatMap(({ rows }) => rows),
    );
    for (const { rows, resolve } of group) resolve(rows.map(({ id }) => written.get(id) ?? null));
  } catch (error) {
    const [only] = group;
    if (only === undefined) return;
    if (group.length === 1) return only.reject(error);
    // What one of them got wrong is not to cost the others theirs.
    for (const one of group) await writeGroup(em.fork(), [one]);
  }
}

/** By the id of the row; rows whose ids belong to other records are left out. */
async function insert(
  em: EntityManager,
  rows: readonly RecordRow[],
): Promise<ReadonlyMap<string, NonNullable<Written>>> {
  const fresh = await em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(?)', [NUMBER_LOCK]);
    return tx.execute<{ id: string; number: number }[]>(INSERT, [JSON.stringify(rows)]);
  });
  const written = new Map(fresh.map(({ id, number }) => [id, { number, stored: true }]));
  const others = rows.filter(({ id }) => !written.has(id));
  if (others.length === 0) return written;
  const known = await em.execute<KnownRow[]>(KNOWN, [`{${others.map(({ id }) => id).join(',')}}`]);
  for (const row of others) {
    const before = known.find(({ id }) => id === row.id);
    if (before !== undefined && SAME.every((key) => before[key] === row[key]))
      written.set(row.id, { number: before.number, stored: false });
  }
  return written;
}
