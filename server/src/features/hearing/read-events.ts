import type { HeardDetails } from '@escalier/contract/results';
import type { ClassRecords } from '@escalier/contract/results';
import { hearings, type HeardEvent, type Outcome, type RecordEvent } from '@escalier/core/records';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { classOf, PupilEntity } from '../classes/index.ts';

/** A record as the database gives it. */
export interface EventRow {
  readonly id: string;
  readonly kind: 'heard' | 'undone';
  readonly pupilId: string;
  readonly stepId: string;
  readonly outcome: Outcome | null;
  readonly remarks: readonly string[];
  readonly undoes: string | null;
  readonly heardAt: string;
  readonly tuneId: string | null;
  readonly details: HeardDetails;
  readonly corrects: string | null;
  readonly reason: string;
  readonly number: number;
  readonly deviceAhead: number;
}

/** Times are ISO 8601 in UTC. */
const EVENTS = `
select id, kind, pupil_id as "pupilId", step_id as "stepId", tune_id as "tuneId", outcome, remarks, details, undoes, corrects,
  reason, number::float8 as number, device_ahead as "deviceAhead",
  to_char(heard_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "heardAt"
from record_event where pupil_id = any(?::uuid[]) and number > ? order by number`;

/** The records of pupils, by pupil. */
export async function eventsOf(
  em: EntityManager,
  pupilIds: readonly string[],
): Promise<ReadonlyMap<string, readonly RecordEvent[]>> {
  const byPupil = new Map<string, RecordEvent[]>(pupilIds.map((id) => [id, []]));
  // An array literal: the driver would spread an array over many placeholders.
  for (const row of await em.execute<EventRow[]>(EVENTS, [`{${pupilIds.join(',')}}`, 0]))
    byPupil.get(row.pupilId)!.push(toEvent(row));
  return byPupil;
}

/** The records of some pupils that the school got after a number, in order; those at a device ask so for the rest. */
export async function eventsAfter(
  em: EntityManager,
  pupilIds: readonly string[],
  number: number,
): Promise<readonly RecordEvent[]> {
  return (await em.execute<EventRow[]>(EVENTS, [`{${pupilIds.join(',')}}`, number])).map(toEvent);
}

export function toEvent(row: EventRow): RecordEvent {
  const { id, pupilId, stepId, outcome, remarks, details, heardAt, number, deviceAhead } = row;
  const receipt = { number, deviceAhead };
  const reason = row.reason === '' ? {} : { reason: row.reason };
  if (row.kind === 'undone') return { kind: 'undone', id, pupilId, undoes: row.undoes!, receipt, ...reason };
  return {
    kind: 'heard',
    id,
    pupilId,
    stepId,
    outcome: outcome!,
    remarks,
    ...details,
    heardAt,
    receipt,
    ...(row.tuneId === null ? {} : { tuneId: row.tuneId }),
    ...(row.corrects === null ? {} : { corrects: row.corrects }),
    ...reason,
  };
}

/** The records of a class's pupils, in order, that the school got after a number. @throws Problem 404. */
export async function classRecords(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  after: number,
): Promise<ClassRecords> {
  await classOf(em, user, classId);
  const pupils = await em.find(PupilEntity, { schoolClass: classId }, { fields: ['id'] });
  const records = await eventsAfter(
    em,
    pupils.map((pupil) => pupil.id),
    after,
  );
  return { records, last: records.at(-1)?.receipt?.number ?? after };
}

/** Free words may hold a name: the one change that the table of records lets through. */
export async function blankReasons(em: EntityManager, pupilId: string): Promise<void> {
  await em.execute("update record_event set reason = '' where pupil_id = ? and reason <> ''", [pupilId]);
}

/**
 * The hearings of a class that count and in which somebody marked where in a tune it went wrong.
 * @param mainSteps steps of which it is the first tune: their records do not name it.
 */
export async function markedHearings(
  em: EntityManager,
  classId: string,
  tuneId: string,
  mainSteps: readonly string[],
): Promise<readonly HeardEvent[]> {
  const pupils = await em.execute<{ id: string }[]>(
    `select distinct pupil_id as id from record_event where school_class_id = ? and details->'faults' is not null
      and (tune_id = ? or (tune_id is null and step_id = any(?::uuid[])))`,
    [classId, tuneId, `{${mainSteps.join(',')}}`],
  );
  if (pupils.length === 0) return [];
  // Undoing and correcting may be of records without marks: the core says which of them count.
  const events = await eventsAfter(
    em,
    pupils.map(({ id }) => id),
    0,
  );
  return hearings(events).filter(
    ({ faults, tuneId: heard, stepId }) =>
      faults !== undefined && (heard === undefined ? mainSteps.includes(stepId) : heard === tuneId),
  );
}

/** How many results of pupils name a tune. */
export async function resultsWithTune(em: EntityManager, tuneId: string): Promise<number> {
  const [counted] = await em.execute<{ count: string }[]>('select count(*) from record_event where tune_id = ?', [
    tuneId,
  ]);
  return Number(counted!.count);
}

/** What hangs on a step. */
export interface HeardOnStep {
  readonly results: number;
  /** Tunes that results name; null for the step's first. */
  readonly tunes: readonly (string | null)[];
}

/** For each of some steps that has results, how many and with which tunes. */
export async function heardOnSteps(
  em: EntityManager,
  stepIds: readonly string[],
): Promise<ReadonlyMap<string, HeardOnStep>> {
  const rows = await em.execute<(HeardOnStep & { step: string })[]>(
    `select step_id as step, count(*)::int as results, json_agg(distinct tune_id) as tunes from record_event
    where step_id = any(?::uuid[]) group by step_id`,
    [`{${stepIds.join(',')}}`],
  );
  return new Map(rows.map(({ step, ...heard }) => [step, heard]));
}

/** How many results a class has. */
export async function resultsOfClass(em: EntityManager, classId: string): Promise<number> {
  const [counted] = await em.execute<{ count: string }[]>(
    'select count(*) from record_event where school_class_id = ?',
    [classId],
  );
  return Number(counted!.count);
}
