import { dayIn } from '@escalier/core/calendar';
import type { Outcome } from '@escalier/core/records';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import type { RecordRow, RecordWriter } from './writer.ts';

export interface HeardInput {
  readonly kind: 'heard';
  readonly id: string;
  readonly pupilId: string;
  readonly stepId: string;
  readonly tuneId?: string | undefined;
  readonly outcome: Outcome;
  readonly remarks: readonly string[];
  readonly tempo?: number | undefined;
  readonly corrects?: string | undefined;
  readonly reason?: string | undefined;
  readonly heardAt: Date;
}

export interface UndoInput {
  readonly kind: 'undone';
  readonly id: string;
  readonly undoes: string;
  readonly heardAt: Date;
}

export interface RecordsInput {
  /** By the device's clock, when it sends. */
  readonly sentAt: Date;
  readonly events: readonly (HeardInput | UndoInput)[];
}

/** What became of one event: the school has it, under a number; or it is refused, in a sentence. */
export type Recorded = { readonly id: string; readonly number: number; readonly stored: boolean } | Refused;

interface Refused {
  readonly id: string;
  readonly refused: string;
}

interface Known {
  readonly pupils: readonly {
    readonly id: string;
    readonly schoolClass: string;
    readonly leftOn: string | null;
  }[];
  readonly steps: readonly { readonly id: string; readonly tunes: readonly string[] }[];
  readonly heard: readonly { readonly id: string; readonly pupil: string; readonly step: string }[];
}

/** The pupils that the asker may open, the steps of the school with their tunes, the records meant: in one statement. */
const KNOWN = `
with asked as (select ?::uuid as school, ?::text as role, ?::uuid as account),
heard as (select e.id, e.pupil_id as pupil, e.step_id as step from record_event e, asked
  where e.id = any(?::uuid[]) and e.school_id = asked.school and e.kind = 'heard')
select
  (select coalesce(json_agg(json_build_object('id', p.id, 'schoolClass', p.school_class_id, 'leftOn', p.left_on)), '[]')
    from pupil p, asked
    where (p.id = any(?::uuid[]) or p.id in (select pupil from heard)) and p.school_id = asked.school
      and (asked.role = 'owner' or exists (select 1 from class_teacher ct
        where ct.school_class_id = p.school_class_id and ct.account_id = asked.account))) as pupils,
  (select coalesce(json_agg(json_build_object('id', s.id, 'tunes', array[s.tune_id] || array(
      select t.tune_id from step_tune t where t.step_id = s.id))), '[]')
    from step s join staircase st on st.id = s.staircase_id, asked
    where s.id = any(?::uuid[]) and st.school_id = asked.school) as steps,
  (select coalesce(json_agg(heard), '[]') from heard) as heard`;

/**
 * Stores events, each once, in their order. Answers only after the commit; what is refused does not keep the others.
 */
export async function recordAll(
  em: EntityManager,
  writer: RecordWriter,
  who: SignedIn,
  { sentAt, events }: RecordsInput,
  now: Date,
): Promise<readonly Recorded[]> {
  const known = await lookUp(em, who, events);
  const deviceAhead = Math.round((sentAt.getTime() - now.getTime()) / 1000);
  const drafts = events.map((event): RecordRow | Refused => {
    const draft = rowOf(event, events, known, who);
    return typeof draft === 'string'
      ? { id: event.id, refused: draft }
      : { ...draft, school: who.schoolId, account: who.accountId, deviceAhead: bounded(deviceAhead), receivedAt: now };
  });
  const rows = drafts.filter((draft): draft is RecordRow => !('refused' in draft));
  const written = rows.length === 0 ? [] : await writer.write(rows);
  const byId = new Map(rows.map((row, index) => [row.id, written[index]]));
  return drafts.map((draft): Recorded => {
    if ('refused' in draft) return draft;
    const found = byId.get(draft.id);
    return found === undefined || found === null
      ? { id: draft.id, refused: 'This id belongs to another record.' }
      : { id: draft.id, ...found };
  });
}

/** A column of the database holds so much: about 68 years. */
const MOST_SECONDS = 2_147_483_647;

function bounded(seconds: number): number {
  return Math.max(-MOST_SECONDS, Math.min(MOST_SECONDS, seconds));
}

type Events = RecordsInput['events'];

async function lookUp(em: EntityManager, who: SignedIn, events: Events): Promise<Known> {
  const list = (ids: readonly (string | undefined)[]): string => `{${ids.filter(isThere).join(',')}}`;
  const heard = events.filter((event) => event.kind === 'heard');
  const meant = events.map((event) => (event.kind === 'heard' ? event.corrects : event.undoes));
  const [known] = await em.execute<Known[]>(KNOWN, [
    who.schoolId,
    who.role,
    who.accountId,
    list(meant),
    list(heard.map((event) => event.pupilId)),
    list(heard.map((event) => event.stepId)),
  ]);
  return known!;
}

function isThere(id: string | undefined): id is string {
  return id !== undefined;
}

type Draft = Omit<RecordRow, 'school' | 'account' | 'deviceAhead' | 'receivedAt'>;

/** The row of an event, or the sentence why it is refused. */
function rowOf(event: HeardInput | UndoInput, events: Events, known: Known, who: SignedIn): Draft | string {
  return event.kind === 'heard' ? heardRow(event, events, known, who) : undoRow(event, events, known);
}

/** A record that is at the school, or one of the same sending. */
function meantBy(id: string, events: Events, known: Known) {
  const stored = known.heard.find((each) => each.id === id);
  if (stored !== undefined) return stored;
  const sent = events.find((each) => each.id === id);
  return sent?.kind === 'heard' ? { pupil: sent.pupilId, step: sent.stepId } : null;
}

function heardRow(event: HeardInput, events: Events, known: Known, who: SignedIn): Draft | string {
  const pupil = known.pupils.find((each) => each.id === event.pupilId);
  if (pupil === undefined) return 'There is no such pupil in your classes.';
  const step = known.steps.find((each) => each.id === event.stepId);
  if (step === undefined) return 'There is no such step.';
  const { tuneId } = event;
  if (tuneId !== undefined && !step.tunes.includes(tuneId)) return 'This tune is not one of the step.';
  // Heard before the pupil left, and sent when the device came to a network again.
  if (pupil.leftOn !== null && dayIn(who.timeZone)(event.heardAt.toISOString()) > pupil.leftOn)
    return 'This pupil has left the class.';
  if (event.corrects !== undefined) {
    const meant = meantBy(event.corrects, events, known);
    if (meant === null || meant.pupil !== event.pupilId || meant.step !== event.stepId)
      return 'There is no such record to correct.';
  }
  return {
    id: event.id,
    schoolClass: pupil.schoolClass,
    kind: 'heard',
    pupil: pupil.id,
    step: step.id,
    tune: tuneId === undefined || tuneId === step.tunes[0] ? null : tuneId,
    outcome: event.outcome,
    remarks: [...event.remarks],
    tempo: event.tempo ?? null,
    undoes: null,
    corrects: event.corrects ?? null,
    reason: event.reason ?? '',
    heardAt: event.heardAt,
  };
}

function undoRow(event: UndoInput, events: Events, known: Known): Draft | string {
  const meant = meantBy(event.undoes, events, known);
  const pupil = known.pupils.find((each) => each.id === meant?.pupil);
  if (meant === null || pupil === undefined) return 'There is no such record to undo.';
  return {
    id: event.id,
    schoolClass: pupil.schoolClass,
    kind: 'undone',
    pupil: pupil.id,
    step: meant.step,
    tune: null,
    outcome: null,
    remarks: [],
    tempo: null,
    undoes: event.undoes,
    corrects: null,
    reason: '',
    heardAt: event.heardAt,
  };
}
