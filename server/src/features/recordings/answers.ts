import type { ChangeFact } from '@escalier/contract/changes';
import { LONGEST_ANSWER, type WordsInput } from '@escalier/contract/recordings';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { LOCKS } from '../../platform/locks.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import { soundType } from '../../reader/index.ts';
import { lastChange, logChange } from '../changes/index.ts';
import { PupilEntity } from '../classes/index.ts';
import { checkedSound } from './checked-sound.ts';
import { RecordingEntity } from './entities.ts';
import { ANSWER_TYPE, checkRoom, recordingOf } from './service.ts';
import { t } from '../../platform/messages.ts';

type Recording = Awaited<ReturnType<typeof recordingOf>>;

/** What the teacher says to the pupil, in writing. @throws Problem 404, 403, 409 when somebody else answered meanwhile. */
export async function keepWords(
  em: EntityManager,
  user: SignedIn,
  id: string,
  { words, version }: WordsInput,
): Promise<void> {
  const recording = await recordingOf(em, user, id);
  if (words === '' && recording.words !== '') refuseErasing(user);
  await em.transactional(async (tx) => {
    await change(tx, user, recording, version, { words });
    await log(tx, user, recording, words === '' ? 'recording-words-erased' : 'recording-answered');
  });
}

/**
 * Keeps what the teacher says to the pupil by voice, in place of what was said before.
 * @throws Problem 404, 400 as `checkedSound`, 409 when the school's room is full or somebody else answered meanwhile.
 */
export async function keepAnswer(
  em: EntityManager,
  user: SignedIn,
  id: string,
  { seconds: claimed, version }: { readonly seconds: number; readonly version: number },
  spoken: Uint8Array,
  now: Date,
): Promise<void> {
  const recording = await recordingOf(em, user, id);
  if (soundType(spoken) !== ANSWER_TYPE) throw wrongInput({ sound: 'not-sound' });
  const { seconds } = await checkedSound(user.accountId, spoken, claimed, LONGEST_ANSWER);
  await em.transactional(async (tx) => {
    await tx.execute(`select pg_advisory_xact_lock(${LOCKS.recordings}, hashtext(?))`, [user.schoolId]);
    await checkRoom(tx, user.schoolId, spoken.length, now);
    await change(tx, user, recording, version, { spoken: Buffer.from(spoken), spokenSeconds: seconds });
    await log(tx, user, recording, 'recording-spoken-answer');
  });
}

/** @throws Problem 404, 409 when somebody else answered meanwhile. */
export async function eraseAnswer(em: EntityManager, user: SignedIn, id: string, version: number): Promise<void> {
  const recording = await recordingOf(em, user, id);
  await em.transactional(async (tx) => {
    await change(tx, user, recording, version, { spoken: null, spokenSeconds: null });
    await log(tx, user, recording, 'recording-spoken-answer-erased');
  });
}

function refuseErasing({ role }: SignedIn): void {
  if (role === 'assistant') throw new Problem(403, 'not-your-role', t('answers.only-a-teacher-of-the-class'));
}

async function change(
  tx: EntityManager,
  user: SignedIn,
  { id, pupil }: Recording,
  version: number,
  next: { readonly words?: string; readonly spoken?: Buffer | null; readonly spokenSeconds?: number | null },
): Promise<void> {
  const where = { id, answerVersion: version };
  const changed = await tx.nativeUpdate(RecordingEntity, where, { ...next, answerVersion: version + 1 });
  if (changed === 0) throw await answeredMeanwhile(tx, user, id, pupil);
}

/** With what stands there now, so that both can be seen. */
async function answeredMeanwhile(tx: EntityManager, user: SignedIn, id: string, pupilId: string): Promise<Problem> {
  const now = await tx.findOne(RecordingEntity, { id }, { refresh: true });
  if (now === null) return notFound('recording');
  const spokenSeconds =
    now.spokenSeconds === null || now.spokenSeconds === undefined ? null : Number(now.spokenSeconds);
  const what = { code: 'recording-answer-now', words: now.words, spokenSeconds } as const;
  const last = await lastChange(tx, user.schoolId, pupilId);
  const message = t('answers.by-has-answered-since-you-opened', { by: last?.by ?? t('answers.somebody') });
  return new Problem(409, 'changed', message, last === undefined ? {} : { changed: { ...last, what } });
}

type AnswerChange = Extract<ChangeFact['code'], `recording-${'words' | 'spoken' | 'answered'}${string}`>;

async function log(tx: EntityManager, user: SignedIn, { pupil }: Recording, code: AnswerChange): Promise<void> {
  const { shownName } = await tx.findOneOrFail(PupilEntity, { id: pupil });
  await logChange(tx, user, pupil, { code, name: shownName });
}
