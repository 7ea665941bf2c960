import type { AccessSlip, RoomTask } from '@escalier/contract/practice-rooms';
import { randomInt } from 'node:crypto';
import { doorWords, pictureName, readDoorWords } from '@escalier/core/home';
import type { LocalDate } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { hashToken, newToken } from '../../platform/ids.ts';
import { hasher } from '../../hasher/index.ts';
import { Problem, wrongInput } from '../../platform/problem.ts';
import type { RateLimits } from '../../platform/rate-limits.ts';
import { localToday } from '../../platform/today.ts';
import { logChange } from '../changes/index.ts';
import { classOf, PupilEntity } from '../classes/index.ts';
import { DoorEntity, DoorKeyEntity, RoomEntity } from './entities.ts';
import type { English } from '@escalier/messages';
import { t } from '../../platform/messages.ts';

/** Whom a door belongs to, as the room needs it. */
export interface Opened {
  readonly pupilId: string;
  readonly schoolId: string;
  readonly classId: string;
  readonly pictureName: string;
  readonly until: LocalDate;
  readonly task: RoomTask | null;
  readonly timeZone: string;
  readonly english: English;
  readonly recordingDays: number;
  readonly mayRecord: boolean;
  readonly easierLine: boolean;
}

/** Devices that may come in by the words of one slip. */
const MOST_KEYS = 12;

/**
 * Makes the doors of pupils of a class, in place of those that they had: slips from before open nothing any more.
 * @throws Problem 404, 409 where the class's room is closed, 400 for pupils of another class.
 */
export async function makeSlips(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  pupilIds: readonly string[],
  now: Date,
): Promise<readonly AccessSlip[]> {
  const { name } = await classOf(em, user, classId);
  const asked = { id: { $in: [...pupilIds] }, schoolClass: classId, leftOn: null, erasedAt: null };
  const pupils = await em.find(PupilEntity, asked, { orderBy: { shownName: 'asc', id: 'asc' } });
  if (pupils.length !== new Set(pupilIds).size) throw wrongInput({ pupilIds: 'not-in-class' });
  if ((await em.count(RoomEntity, { schoolClass: classId })) === 0)
    throw new Problem(409, 'room-closed', t('doors.open-the-practice-room-of-this'));
  const fresh: { readonly id: string; readonly words: string; readonly wordsHash: string; readonly token: string }[] =
    [];
  // One after the other: others wait for hashes, too.
  for (const { id } of pupils) fresh.push({ id, ...(await newWords()), token: newToken() });
  return em.transactional(async (tx) => {
    const doors = await tx.find(DoorEntity, { schoolClass: classId });
    const names = new Map(doors.map((door) => [door.pupil, door.pictureName]));
    await tx.nativeDelete(DoorEntity, { pupil: { $in: fresh.map(({ id }) => id) } });
    const made: AccessSlip[] = [];
    for (const { id, words, wordsHash, token } of fresh) {
      const own = names.get(id) ?? pictureName(new Set(names.values()), randomInt);
      names.set(id, own);
      await tx.insert(DoorEntity, {
        pupil: id,
        school: user.schoolId,
        schoolClass: classId,
        pictureName: own,
        wordsHash,
        madeAt: now,
      });
      await tx.insert(DoorKeyEntity, { tokenHash: hashToken(token), byWords: false, door: id, madeAt: now });
      made.push({ pupilId: id, pictureName: own, token, words });
    }
    await logChange(tx, user, classId, { code: 'slips-made', name });
    return made;
  });
}

async function newWords(): Promise<{ readonly words: string; readonly wordsHash: string }> {
  const words = doorWords(randomInt);
  return { words, wordsHash: await hasher.hashWords('signed-in', words) };
}

const OPEN = `
select p.id as "pupilId", p.school_id as "schoolId", p.school_class_id as "classId", d.picture_name as "pictureName",
  r.until::text as until, r.task, s.time_zone as "timeZone", s.english, s.recording_days as "recordingDays",
  p.may_record as "mayRecord", p.easier_line as "easierLine"
from door d join pupil p on p.id = d.pupil_id and p.school_class_id = d.school_class_id
  join room r on r.school_class_id = d.school_class_id
  join school s on s.id = p.school_id and s.room_allowed
where p.left_on is null and p.erased_at is null and d.`;

async function opened(em: EntityManager, where: string, value: string, now: Date): Promise<Opened | null> {
  const [found] = await em.execute<Opened[]>(`${OPEN}${where}`, [value]);
  return found === undefined || localToday(now, found.timeZone) > found.until ? null : found;
}

function closed(): Problem {
  return new Problem(404, 'slip-void', t('doors.this-slip-no-longer-works-ask'));
}

/** Whose door a token opens. @throws Problem 404 for one that opens none, or none any more. */
export async function openDoor(em: EntityManager, token: string, now: Date): Promise<Opened> {
  const door = await opened(
    em,
    'pupil_id = (select door_pupil_id from door_key where token_hash = ?)',
    hashToken(token),
    now,
  );
  if (door === null) throw closed();
  return door;
}

/**
 * A token for a device on which the three words were typed.
 * @throws Problem 404 for words that open nothing, 429 after many tries from one address.
 */
export async function keyForWords(
  em: EntityManager,
  limits: RateLimits,
  typed: string,
  address: string,
  now: Date,
): Promise<string> {
  await limits.countGuess(address);
  const words = readDoorWords(typed);
  if (words === null) throw wrongInput({ words: 'three-words' });
  const door = await opened(em, 'words_hash = ?', await hasher.hashWords('words', words), now);
  if (door === null) throw closed();
  await limits.guessedRight(address, door.pupilId);
  const token = newToken();
  await em.transactional(async (tx) => {
    await tx.insert(DoorKeyEntity, { tokenHash: hashToken(token), byWords: true, door: door.pupilId, madeAt: now });
    await tx.execute(
      `delete from door_key where token_hash in (
        select token_hash from door_key where door_pupil_id = ? and by_words order by made_at desc offset ?)`,
      [door.pupilId, MOST_KEYS],
    );
  });
  return token;
}

/** With all else that tells who a pupil was. */
export async function takeDoorAway(em: EntityManager, pupilId: string): Promise<void> {
  await em.nativeDelete(DoorEntity, { pupil: pupilId });
}
