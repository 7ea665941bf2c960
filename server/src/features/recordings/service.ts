import type {
  HeardSummary,
  NewRecording,
  RecordingDto,
  RecordingList,
  RecordingStorage,
  StorageInput,
} from '@escalier/contract/recordings';
import { subDays } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { LOCKS } from '../../platform/locks.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import { logChange } from '../changes/index.ts';
import { classOf, PupilEntity, pupilOf } from '../classes/index.ts';
import { listErasures } from '../erasures/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { RecordingEntity } from './entities.ts';
import { checkedSound } from './checked-sound.ts';
import { t } from '../../platform/messages.ts';

const MEGABYTE = 1024 * 1024;
/** Answers come from Escalier's own page. */
export const ANSWER_TYPE = 'audio/wav';

const LIST = `
select r.id, r.pupil_id as "pupilId", r.step_id as "stepId", r.tune_id as "tuneId", r.file_name as "fileName", r.seconds,
  to_char(r.received_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "receivedAt",
  ((r.received_at at time zone s.time_zone)::date + s.recording_days)::text as "erasedOn", r.heard, r.words, r.spoken_seconds as "spokenSeconds",
  r.answer_version as "answerVersion", r.from_home as "fromHome"
from recording r join school s on s.id = r.school_id
where r.school_class_id = ? and r.received_at > ?::timestamptz - make_interval(days => s.recording_days)
order by r.received_at, r.id`;

/** The recordings of a class, the oldest first. @throws Problem 404 when the class is not of the asker's. */
export async function recordingsOf(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  now: Date,
): Promise<RecordingList> {
  await classOf(em, user, classId);
  const recordings = await em.execute<RecordingDto[]>(LIST, [classId, now]);
  const agreed = await em.find(
    PupilEntity,
    { schoolClass: classId, mayRecord: true, erasedAt: null },
    { fields: ['id'] },
  );
  return { recordings, agreed: agreed.map(({ id }) => id), storage: await storageOf(em, user.schoolId, now) };
}

/** Of the whole school. */
export async function storageOf(em: EntityManager, schoolId: string, now: Date): Promise<RecordingStorage> {
  const [found] = await em.execute<RecordingStorage[]>(
    `select s.recording_days as days, s.recording_megabytes as megabytes, count(r.id)::int as count,
      coalesce(sum(r.bytes + coalesce(octet_length(r.spoken), 0)), 0)::float8 as bytes
    from school s left join recording r on r.school_id = s.id
      and r.received_at > ?::timestamptz - make_interval(days => s.recording_days)
    where s.id = ? group by s.id`,
    [now, schoolId],
  );
  return found!;
}

/**
 * Keeps a recording; one that is here already is left as it is.
 * @throws Problem 404, 400 as `checkedSound`, 403 without consent, 409 when the school's room is full.
 */
export async function keepRecording(
  em: EntityManager,
  user: SignedIn,
  { id, ...recording }: NewRecording & { readonly id: string },
  sound: Uint8Array,
  now: Date,
): Promise<void> {
  const pupil = await pupilOf(em, user, recording.pupilId);
  if ((pupil.leftOn ?? null) !== null) throw wrongInput({ pupilId: 'left-class' });
  if (!pupil.mayRecord)
    throw new Problem(403, 'no-consent', t('service.shown-name-s-family-hasnt-agreed', { shownName: pupil.shownName }));
  await checkTune(em, user, pupil.schoolClass, recording);
  const { type, seconds } = await checkedSound(user.accountId, sound, recording.seconds);
  const { stepId, tuneId, fileName } = recording;
  const of = { schoolId: user.schoolId, classId: pupil.schoolClass, pupilId: pupil.id, accountId: user.accountId };
  await store(em, { id, ...of, stepId, tuneId, fileName, seconds, type }, sound, now);
}

interface RecordingRow extends Pick<NewRecording, 'stepId' | 'tuneId' | 'fileName' | 'seconds'> {
  readonly id: string;
  readonly schoolId: string;
  readonly classId: string;
  readonly pupilId: string;
  /** Who brought it; null from home. */
  readonly accountId: string | null;
  readonly type: string;
}

/** From one door on one day: more is no practice. */
const MOST_A_DAY = 10;

/**
 * Keeps a recording from home; one that is here already is left as it is. Consent is the caller's affair.
 * @throws Problem 400 as `checkedSound`, 409 when the school's room is full, 429 after many on one day.
 */
export async function keepHandIn(
  em: EntityManager,
  handIn: Omit<RecordingRow, 'accountId' | 'type' | 'fileName'>,
  sound: Uint8Array,
  now: Date,
): Promise<void> {
  const { type, seconds } = await checkedSound(`pupil ${handIn.pupilId}`, sound, handIn.seconds);
  await store(em, { ...handIn, seconds, accountId: null, fileName: 'From home', type }, sound, now);
}

async function store(em: EntityManager, row: RecordingRow, sound: Uint8Array, now: Date): Promise<void> {
  const { id, schoolId, accountId } = row;
  await em.transactional(async (tx) => {
    // Two that come together must not both find the last room.
    await tx.execute(`select pg_advisory_xact_lock(${LOCKS.recordings}, hashtext(?))`, [schoolId]);
    const known = await tx.findOne(RecordingEntity, { id }, { fields: ['school'] });
    if (known !== null) {
      if (known.school !== schoolId) throw notFound('recording');
      return;
    }
    if (accountId === null) await checkDay(tx, row.pupilId, now);
    await checkRoom(tx, schoolId, sound.length, now);
    await tx.insert(RecordingEntity, {
      id,
      school: schoolId,
      schoolClass: row.classId,
      pupil: row.pupilId,
      account: accountId,
      fromHome: accountId === null,
      step: row.stepId,
      tune: row.tuneId,
      fileName: row.fileName,
      type: row.type,
      bytes: sound.length,
      seconds: row.seconds,
      receivedAt: now,
      heard: null,
      words: '',
      sound: Buffer.from(sound),
      spoken: null,
      spokenSeconds: null,
    });
  });
}

/** @throws Problem 429 after as many from home as are enough. */
async function checkDay(em: EntityManager, pupilId: string, now: Date): Promise<void> {
  const today = { pupil: pupilId, fromHome: true, receivedAt: { $gt: subDays(now, 1) } };
  if ((await em.count(RecordingEntity, today)) < MOST_A_DAY) return;
  const message = t('service.most-aday-recordings-a-day-is', { mostADay: MOST_A_DAY });
  throw new Problem(429, 'enough-today', message);
}

/** @throws Problem 409 when so many more bytes are too many for the school. */
export async function checkRoom(em: EntityManager, schoolId: string, more: number, now: Date): Promise<void> {
  const { bytes, megabytes } = await storageOf(em, schoolId, now);
  if (bytes + more > megabytes * MEGABYTE)
    throw new Problem(409, 'full', t('service.the-schools-space-for-recordings-is', { megabytes }));
}

async function checkTune(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  { stepId, tuneId }: NewRecording,
): Promise<void> {
  const [found] = await em.execute<{ fits: boolean }[]>(
    `select exists(select 1 from step s join school_class c on c.staircase_id = s.staircase_id
      where s.id = ? and c.id = ? and c.school_id = ?
        and (s.tune_id = ? or exists(select 1 from step_tune t where t.step_id = s.id and t.tune_id = ?))) as fits`,
    [stepId, classId, user.schoolId, tuneId, tuneId],
  );
  if (found?.fits !== true) throw wrongInput({ stepId: 'on-no-step' });
}

/** @throws Problem 404 when it is not there, or not of a class of the asker's. */
export async function recordingOf(em: EntityManager, user: SignedIn, id: string) {
  const found = await em.findOne(RecordingEntity, { id, school: user.schoolId });
  if (found === null) throw notFound('recording');
  await classOf(em, user, found.schoolClass).catch(() => {
    throw notFound('recording');
  });
  return found;
}

/** A sound that is kept, and how to read from it. */
export interface KeptSound {
  readonly type: string;
  /** In bytes. */
  readonly length: number;
  /** The bytes from the first to the last of these, both counted from 0. */
  readonly read: (first: number, last: number) => Promise<Buffer>;
}

/** What was played, or what the teacher said to it; only what is asked for leaves the database. @throws Problem 404. */
export async function soundOf(
  em: EntityManager,
  user: SignedIn,
  id: string,
  now: Date,
  of: 'playing' | 'answer',
): Promise<KeptSound> {
  await recordingOf(em, user, id);
  const column = of === 'playing' ? 'sound' : 'spoken';
  const [found] = await em.execute<{ type: string; length: number | null }[]>(
    `select r.type, octet_length(r.${column}) as length from recording r join school s on s.id = r.school_id
      where r.id = ? and r.received_at > ?::timestamptz - make_interval(days => s.recording_days)`,
    [id, now],
  );
  if (found === undefined || found.length === null) throw notFound(of === 'playing' ? 'recording' : 'answer');
  const read = async (first: number, last: number): Promise<Buffer> => {
    const [row] = await em.execute<{ part: Buffer }[]>(
      `select substring(${column} from ? for ?) as part from recording where id = ?`,
      [first + 1, last - first + 1, id],
    );
    // It was erased a moment ago.
    if (row === undefined) throw notFound('recording');
    return row.part;
  };
  return { type: of === 'playing' ? found.type : ANSWER_TYPE, length: found.length, read };
}

/** What listening made of it. @throws Problem 404. */
export async function noteHeard(em: EntityManager, user: SignedIn, id: string, heard: HeardSummary): Promise<void> {
  await recordingOf(em, user, id);
  await em.nativeUpdate(RecordingEntity, { id }, { heard });
}

/** @throws Problem 404. */
export async function eraseRecording(em: EntityManager, user: SignedIn, id: string, now: Date): Promise<void> {
  const { pupil } = await recordingOf(em, user, id);
  await em.transactional(async (tx) => {
    await tx.nativeDelete(RecordingEntity, { id });
    await listErasures(tx, [{ kind: 'recording', key: id }], now);
    await logChange(tx, user, pupil, { code: 'recording-erased' });
  });
}

/** All of a pupil, as when a family takes its consent back. @returns how many. @throws Problem 404. */
export async function eraseAllOf(em: EntityManager, user: SignedIn, pupilId: string, now: Date): Promise<number> {
  const { shownName } = await pupilOf(em, user, pupilId);
  return em.transactional(async (tx) => {
    const all = await tx.find(RecordingEntity, { pupil: pupilId }, { fields: ['id'] });
    await tx.nativeDelete(RecordingEntity, { pupil: pupilId });
    await listErasures(
      tx,
      all.map(({ id }) => ({ kind: 'recording', key: id })),
      now,
    );
    await logChange(tx, user, pupilId, { code: 'recordings-erased', name: shownName, count: all.length });
    return all.length;
  });
}

/** How many of a pupil are here. @throws Problem 404. */
export async function countOf(em: EntityManager, user: SignedIn, pupilId: string): Promise<number> {
  await pupilOf(em, user, pupilId);
  return em.count(RecordingEntity, { pupil: pupilId });
}

/** With all else that tells who a pupil was. */
export async function eraseRecordingsOf(em: EntityManager, pupilId: string): Promise<void> {
  await em.nativeDelete(RecordingEntity, { pupil: pupilId });
}

/** Those whose days are over, of all schools. */
export async function eraseOld(em: EntityManager, now: Date): Promise<void> {
  await em.execute(
    `delete from recording r using school s where s.id = r.school_id
      and r.received_at <= ?::timestamptz - make_interval(days => s.recording_days)`,
    [now],
  );
}

/** How long and how much the school keeps. */
export async function changeStorage(
  em: EntityManager,
  user: SignedIn,
  { days, megabytes }: StorageInput,
): Promise<void> {
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(SchoolEntity, { id: user.schoolId }, { recordingDays: days, recordingMegabytes: megabytes });
    await logChange(tx, user, user.schoolId, { code: 'recording-rule', days, megabytes });
  });
}
