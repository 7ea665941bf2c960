import type { Outcome, RecordEvent } from '@escalier/core/records';
import type { EntityManager } from '../../platform/database.ts';

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
  readonly tempo: number | null;
  readonly corrects: string | null;
  readonly reason: string;
  readonly number: number;
  readonly deviceAhead: number;
}

/** Times are ISO 8601 in UTC. */
const EVENTS = `
select id, kind, pupil_id as "pupilId", step_id as "stepId", tune_id as "tuneId", outcome, remarks, tempo, undoes,
  corrects, reason, number::float8 as number, device_ahead as "deviceAhead",
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
  const { id, pupilId, stepId, outcome, remarks, heardAt, number, deviceAhead } = row;
  const receipt = { number, deviceAhead };
  if (row.kind === 'undone') return { kind: 'undone', id, pupilId, undoes: row.undoes!, receipt };
  return {
    kind: 'heard',
    id,
    pupilId,
    stepId,
    outcome: outcome!,
    remarks,
    heardAt,
    receipt,
    ...(row.tuneId === null ? {} : { tuneId: row.tuneId }),
    ...(row.tempo === null ? {} : { tempo: row.tempo }),
    ...(row.corrects === null ? {} : { corrects: row.corrects }),
    ...(row.reason === '' ? {} : { reason: row.reason }),
  };
}
