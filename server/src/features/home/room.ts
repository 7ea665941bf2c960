import type { RoomAnswer, RoomFacts, RoomTask, RoomTune } from '@escalier/contract/practice-rooms';
import type { HandIn } from '@escalier/contract/recordings';
import { findInstrument, withChosen } from '@escalier/core/instruments';
import type { EntityManager } from '../../platform/database.ts';
import { hashToken } from '../../platform/ids.ts';
import { notFound, Problem } from '../../platform/problem.ts';
import { knowledgeBefore, oneClass, type ClassRow } from '../class-page/index.ts';
import { keepHandIn } from '../recordings/index.ts';
import type { Opened } from './doors.ts';
import { t } from '../../platform/messages.ts';

const WHOSE_LETTERS = 16;
const NOBODY = '00000000-0000-0000-0000-000000000000';

function classRow(em: EntityManager, { schoolId, classId }: Opened): Promise<ClassRow> {
  return oneClass(em, { schoolId, role: 'owner', accountId: NOBODY }, classId);
}

export async function roomFacts(em: EntityManager, door: Opened, now: Date): Promise<RoomFacts> {
  const row = await classRow(em, door);
  const { pupil, step, tunes } = wayOf(row, door);
  const { naming, counting, lengthWords, posture, teaching } = row.style;
  const own = pupil.playsInstead === null ? null : withChosen(pupil.playsInstead, teaching.fingerings);
  const taskTune = door.task === null ? -1 : tunes.findIndex(({ id }) => id === door.task!.tuneId);
  return {
    pictureName: door.pictureName,
    whose: hashToken(door.pupilId).slice(0, WHOSE_LETTERS),
    instrumentId: own !== null && findInstrument(own) !== null ? own : row.instrumentId,
    style: { naming, counting, lengthWords, posture },
    english: door.english,
    chunkBeats: teaching.chunkBeats,
    tunes,
    now: step,
    known: knowledgeBefore(row, step),
    notes: knowledgeBefore(row, step + 1).notes,
    task: taskTune < 0 ? null : taskOn(taskTune, door.task!),
    mayHandIn: door.mayRecord,
    keptDays: door.recordingDays,
    until: door.until,
    answers: await answersFor(em, door, now),
  };
}

function taskOn(tune: number, { bars, tempo, words }: RoomTask) {
  return { tune, bars, tempo, words };
}

/** The pupil's steps up to the next one, each with its tune: the easier one for those who play that. */
function wayOf(row: ClassRow, door: Opened) {
  const pupil = row.pupils.find(({ id }) => id === door.pupilId);
  const standing = row.standings.find(({ pupilId }) => pupilId === door.pupilId);
  if (pupil === undefined || standing === undefined || row.steps.length === 0) throw notFound('pupil');
  const step = Math.min(standing.stepIndex, row.steps.length - 1);
  const tunes = row.steps.slice(0, step + 2).map((step, index): RoomTune => {
    const easier = door.easierLine ? step.tunes.findIndex(({ role }) => role === 'easier') : -1;
    const abc = easier > 0 ? step.moreAbcs[easier - 1]! : step.abc;
    const { id, title } = step.tunes[Math.max(0, easier)]!;
    return { id, title, abc, belt: step.belt, position: step.position, passed: index < standing.stepIndex };
  });
  return { pupil, step, tunes };
}

const ANSWERS = `
select r.id, r.tune_id as "tuneId", r.words, r.spoken_seconds as "spokenSeconds",
  to_char(r.received_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "handedInAt",
  ((r.received_at at time zone s.time_zone)::date + s.recording_days)::text as "erasedOn",
  e.outcome, coalesce(e.bars, '[]') as bars
from recording r join school s on s.id = r.school_id
left join lateral (
  select e.outcome, (select jsonb_agg(distinct (f->>'bar')::int) from jsonb_array_elements(coalesce(e.details->'faults', '[]')) f) as bars
  from record_event e where e.pupil_id = r.pupil_id and e.kind = 'heard' and e.details->'listened'->>'recordingId' = r.id::text
    and not exists (select 1 from record_event u where u.undoes = e.id)
  order by e.number desc limit 1) e on true
where r.pupil_id = ? and r.from_home and r.received_at > ?::timestamptz - make_interval(days => s.recording_days)
order by r.received_at desc limit 50`;

function answersFor(em: EntityManager, { pupilId }: Opened, now: Date): Promise<readonly RoomAnswer[]> {
  return em.execute<RoomAnswer[]>(ANSWERS, [pupilId, now]);
}

/** What the teacher spoke to a recording that came through this door. @throws Problem 404. */
export async function spokenAnswer(em: EntityManager, { pupilId }: Opened, id: string, now: Date): Promise<Buffer> {
  const [found] = await em.execute<{ spoken: Buffer | null }[]>(
    `select r.spoken from recording r join school s on s.id = r.school_id
      where r.id = ? and r.pupil_id = ? and r.from_home
        and r.received_at > ?::timestamptz - make_interval(days => s.recording_days)`,
    [id, pupilId, now],
  );
  if (found === undefined || found.spoken === null) throw notFound('answer');
  return found.spoken;
}

/**
 * The one thing that can be written through a door.
 * @throws Problem 403 without consent, 400 for a tune that is not on the way or what is no sound, 409, 429.
 */
export async function handIn(
  em: EntityManager,
  door: Opened,
  id: string,
  { tuneId, seconds }: HandIn,
  sound: Uint8Array,
  now: Date,
): Promise<void> {
  if (!door.mayRecord) throw new Problem(403, 'no-consent', t('room.your-family-and-your-school-havent'));
  const row = await classRow(em, door);
  const index = wayOf(row, door).tunes.findIndex((tune) => tune.id === tuneId);
  if (index < 0) throw notFound('tune');
  const stepId = row.steps[index]!.id;
  const { schoolId, classId, pupilId } = door;
  await keepHandIn(em, { id, schoolId, classId, pupilId, stepId, tuneId, seconds }, sound, now);
}
