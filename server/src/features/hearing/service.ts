import {
  HeardDetails,
  type Recorded,
  type SentEvents,
  type SentHeard,
  type SentUndone,
} from '@escalier/contract/results';
import { dayIn } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import type { RecordRow } from './columns.ts';
import { insertRecords, isSame, type Written } from './writer.ts';
import { t } from '../../platform/messages.ts';

type Refused = Extract<Recorded, { readonly refused: string }>;

/** One sending: who sends what, and when it came. */
export interface Sending {
  readonly who: SignedIn;
  readonly input: SentEvents;
  readonly now: Date;
}

/** What the database knows of all that some sendings name; `who` sees of it only what is of the own school. */
interface Known {
  readonly pupils: readonly {
    readonly id: string;
    readonly school: string;
    readonly schoolClass: string;
    readonly leftOn: string | null;
    readonly erased: boolean;
    /** Accounts that teach the class, or hear it. */
    readonly teachers: readonly string[];
  }[];
  readonly steps: readonly { readonly id: string; readonly school: string; readonly tunes: readonly string[] }[];
  readonly heard: readonly {
    readonly id: string;
    readonly school: string;
    readonly pupil: string;
    readonly step: string;
  }[];
}

const KNOWN = `
with heard as (select id, school_id as school, pupil_id as pupil, step_id as step from record_event
  where id = any(?::uuid[]) and kind = 'heard')
select
  (select coalesce(json_agg(json_build_object('id', p.id, 'school', p.school_id, 'schoolClass', p.school_class_id,
      'leftOn', p.left_on, 'erased', p.erased_at is not null, 'teachers', array(
        select ct.account_id from class_teacher ct where ct.school_class_id = p.school_class_id))), '[]')
    from pupil p where p.id = any(?::uuid[]) or p.id in (select pupil from heard)) as pupils,
  (select coalesce(json_agg(json_build_object('id', s.id, 'school', st.school_id, 'tunes', array[s.tune_id] || array(
      select t.tune_id from step_tune t where t.step_id = s.id))), '[]')
    from step s join staircase st on st.id = s.staircase_id where s.id = any(?::uuid[])) as steps,
  (select coalesce(json_agg(heard), '[]') from heard) as heard`;

/**
 * Stores the events of some sendings, each once, in their order. Answers only after the commit, a list for each sending;
 * what is refused does not keep the others.
 */
export async function recordAll(
  em: EntityManager,
  sendings: readonly Sending[],
): Promise<readonly (readonly Recorded[])[]> {
  const all = await lookUp(
    em,
    sendings.flatMap(({ input }) => input.events),
  );
  const drafts = sendings.map(({ who, input, now }) => {
    const known = seenBy(who, all);
    const deviceAhead = bounded(Math.round((Date.parse(input.sentAt) - now.getTime()) / 1000));
    return input.events.map((event): RecordRow | Refused => {
      const draft = rowOf(event, input.events, known, who);
      return typeof draft === 'string'
        ? { id: event.id, refused: draft }
        : { ...draft, school: who.schoolId, account: who.accountId, deviceAhead, receivedAt: now };
    });
  });
  const rows = drafts.flat().filter((draft): draft is RecordRow => !('refused' in draft));
  // The same event may come from two devices at one moment: the first is the one that is stored.
  const unique = new Map(rows.toReversed().map((row) => [row.id, row]));
  const written = await insertRecords(em, [...unique.values()].toReversed());
  return drafts.map((list) =>
    list.map((draft): Recorded => {
      if ('refused' in draft) return draft;
      const found = written.get(draft.id);
      const taken = found === undefined || !isSame(draft, unique.get(draft.id)!);
      return taken
        ? { id: draft.id, refused: t('service.this-id-belongs-to-another-record') }
        : resultOf(draft, found, unique);
    }),
  );
}

function resultOf(draft: RecordRow, { number, stored }: Written, unique: ReadonlyMap<string, RecordRow>): Recorded {
  return { id: draft.id, number, stored: stored && unique.get(draft.id) === draft };
}

/** What somebody may know of: pupils of the own classes, all else of the own school. */
function seenBy(user: SignedIn, { pupils, steps, heard }: Known): Known {
  const isOwn = ({ school }: { readonly school: string }): boolean => school === user.schoolId;
  return {
    pupils: pupils.filter(
      (pupil) => isOwn(pupil) && (user.role === 'owner' || pupil.teachers.includes(user.accountId)),
    ),
    steps: steps.filter(isOwn),
    heard: heard.filter(isOwn),
  };
}

/** A column of the database holds so much: about 68 years. */
const MOST_SECONDS = 2_147_483_647;

function bounded(seconds: number): number {
  return Math.max(-MOST_SECONDS, Math.min(MOST_SECONDS, seconds));
}

type Events = SentEvents['events'];

async function lookUp(em: EntityManager, events: Events): Promise<Known> {
  const list = (ids: readonly (string | undefined)[]): string => `{${[...new Set(ids.filter(isThere))].join(',')}}`;
  const heard = events.filter((event) => event.kind === 'heard');
  const meant = events.map((event) => (event.kind === 'heard' ? event.corrects : event.undoes));
  const [known] = await em.execute<Known[]>(KNOWN, [
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
function rowOf(event: SentHeard | SentUndone, events: Events, known: Known, user: SignedIn): Draft | string {
  return event.kind === 'heard' ? heardRow(event, events, known, user) : undoRow(event, events, known);
}

/** A record that is at the school, or one of the same sending. */
function meantBy(id: string, events: Events, known: Known) {
  const stored = known.heard.find((hearing) => hearing.id === id);
  if (stored !== undefined) return stored;
  const sent = events.find((event) => event.id === id);
  return sent?.kind === 'heard' ? { pupil: sent.pupilId, step: sent.stepId } : null;
}

function heardRow(event: SentHeard, events: Events, known: Known, user: SignedIn): Draft | string {
  const pupil = known.pupils.find((pupil) => pupil.id === event.pupilId);
  if (pupil === undefined) return t('service.there-is-no-such-pupil-in');
  const step = known.steps.find((step) => step.id === event.stepId);
  if (step === undefined) return t('service.there-is-no-such-step');
  const { tuneId } = event;
  if (tuneId !== undefined && !step.tunes.includes(tuneId)) return t('service.this-tune-isnt-on-the-step');
  // Heard before the pupil left, and sent when the device came to a network again.
  if (pupil.leftOn !== null && dayIn(user.timeZone)(event.heardAt) > pupil.leftOn)
    return t('service.this-pupil-has-left-the-class');
  if (event.corrects !== undefined) {
    const meant = meantBy(event.corrects, events, known);
    if (meant === null || meant.pupil !== event.pupilId || meant.step !== event.stepId)
      return t('service.there-is-no-such-record-to');
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
    details: HeardDetails.parse(event),
    undoes: null,
    corrects: event.corrects ?? null,
    // Free words may hold a name.
    reason: pupil.erased ? '' : (event.reason ?? ''),
    heardAt: event.heardAt,
  };
}

function undoRow(event: SentUndone, events: Events, known: Known): Draft | string {
  const meant = meantBy(event.undoes, events, known);
  const pupil = known.pupils.find((pupil) => pupil.id === meant?.pupil);
  if (meant === null || pupil === undefined) return t('service.there-is-no-such-record-to-2');
  return {
    id: event.id,
    schoolClass: pupil.schoolClass,
    kind: 'undone',
    pupil: pupil.id,
    step: meant.step,
    tune: null,
    outcome: null,
    remarks: [],
    details: {},
    undoes: event.undoes,
    corrects: null,
    reason: pupil.erased ? '' : (event.reason ?? ''),
    heardAt: event.heardAt,
  };
}
