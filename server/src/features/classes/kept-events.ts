import { standings, type Outcome, type RecordEvent, type Standing, type StepRule } from '@escalier/core/records';
import type { EntityManager } from '../../platform/database.ts';

interface EventRow {
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

const MOST_PUPILS = 10_000;

/**
 * Records are only ever added, so as many as before are the same as before: what was read of a pupil is kept, and read
 * again when the database counts another number. It holds for any number of servers.
 */
const kept = new Map<string, readonly RecordEvent[]>();

export interface CountedPupil {
  readonly id: string;
  /** How many records the database has of this pupil. */
  readonly records: number;
}

/** The records of pupils, by pupil. */
export async function eventsByPupil(
  em: EntityManager,
  pupils: readonly CountedPupil[],
): Promise<ReadonlyMap<string, readonly RecordEvent[]>> {
  const changed = pupils.filter(({ id, records }) => records > 0 && kept.get(id)?.length !== records);
  if (changed.length > 0) {
    const fresh = new Map<string, RecordEvent[]>(changed.map(({ id }) => [id, []]));
    // An array literal: the driver would spread an array over many placeholders.
    const ids = `{${changed.map(({ id }) => id).join(',')}}`;
    for (const row of await em.execute<EventRow[]>(EVENTS, [ids, 0])) fresh.get(row.pupilId)!.push(toEvent(row));
    for (const [id, events] of fresh) {
      kept.delete(id);
      kept.set(id, events);
    }
    for (const id of kept.keys()) {
      if (kept.size <= MOST_PUPILS) break;
      kept.delete(id);
    }
  }
  return new Map(pupils.map(({ id, records }) => [id, records === 0 ? NONE : (kept.get(id) ?? NONE)]));
}

/** The records of some pupils that the school got after a number, in order; those at a device ask so for the rest. */
export async function eventsAfter(
  em: EntityManager,
  pupilIds: readonly string[],
  number: number,
): Promise<readonly RecordEvent[]> {
  return (await em.execute<EventRow[]>(EVENTS, [`{${pupilIds.join(',')}}`, number])).map(toEvent);
}

const NONE: readonly RecordEvent[] = [];

function toEvent(row: EventRow): RecordEvent {
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

/** Standings by the list of records that they come from, so that they go with it. */
const keptStandings = new WeakMap<readonly RecordEvent[], Map<string, Standing>>();

/** Where a pupil stands; worked out once for the same records. */
export function keptStanding(
  pupilId: string,
  startStepIndex: number,
  steps: readonly StepRule[],
  events: readonly RecordEvent[],
): Standing {
  const work = (): Standing => standings([{ pupilId, startStepIndex }], steps, events)[0]!;
  if (events.length === 0) return work();
  const known = keptStandings.get(events) ?? new Map<string, Standing>();
  const key = `${startStepIndex} ${steps.map(({ id, tunes, toPass }) => `${id} ${tunes.join(',')} ${toPass}`).join(' ')}`;
  const standing = known.get(key) ?? work();
  known.set(key, standing);
  keptStandings.set(events, known);
  return standing;
}
