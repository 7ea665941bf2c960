import type { RoomOfClass, RoomsOfSchool, TaskInput } from '@escalier/contract/practice-rooms';
import type { LocalDate } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { Problem, wrongInput } from '../../platform/problem.ts';
import { localToday } from '../../platform/today.ts';
import { changeVersion, logChange } from '../changes/index.ts';
import { oneClass } from '../class-page/index.ts';
import { classOf } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { DoorEntity, RoomEntity } from './entities.ts';
import { t } from '../../platform/messages.ts';

const PUPILS = `
select p.id, p.shown_name as name, d.picture_name as "pictureName", p.may_record as "mayHandIn",
  (select count(*)::int from recording r where r.pupil_id = p.id and r.from_home
    and r.received_at > ?::timestamptz - make_interval(days => s.recording_days)) as "handedIn"
from pupil p join school s on s.id = p.school_id
  left join door d on d.pupil_id = p.id and d.school_class_id = p.school_class_id
where p.school_class_id = ? and p.left_on is null and p.erased_at is null
order by p.shown_name, p.id`;

/** @throws Problem 404 when the class is not of the asker's. */
export async function roomOfClass(em: EntityManager, user: SignedIn, classId: string, now: Date): Promise<RoomOfClass> {
  const row = await oneClass(em, user, classId);
  const { allowed } = await roomsOfSchool(em, user);
  const room = await em.findOne(RoomEntity, { schoolClass: classId });
  return {
    allowed,
    today: localToday(now, user.timeZone),
    room: room === null ? null : { until: room.until, task: room.task ?? null, version: room.version },
    endsOn: row.term.endsOn,
    pupils: await em.execute<RoomOfClass['pupils'][number][]>(PUPILS, [now, classId]),
    tunes: row.steps.map(({ tuneId, title }) => ({ id: tuneId, title })),
  };
}

/**
 * Opens the room until a day, or closes it: then its slips are void for good, and opening it again asks for new ones.
 * @throws Problem 404, 403, 400.
 */
export async function switchRoom(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  until: LocalDate | null,
  now: Date,
): Promise<void> {
  const { name } = await classOf(em, user, classId);
  if (until !== null) {
    if (!(await roomsOfSchool(em, user)).allowed)
      throw new Problem(403, 'rooms-off', t('service.practice-rooms-are-off-an-owner'));
    if (until < localToday(now, user.timeZone)) throw wrongInput({ until: 'day-over' });
  }
  await em.transactional(async (tx) => {
    if (until === null) {
      await tx.nativeDelete(RoomEntity, { schoolClass: classId });
      await tx.nativeDelete(DoorEntity, { schoolClass: classId });
    } else
      await tx.upsert(
        RoomEntity,
        { schoolClass: classId, school: user.schoolId, until },
        { onConflictFields: ['schoolClass'] },
      );
    await logChange(
      tx,
      user,
      classId,
      until === null ? { code: 'room-closed', name } : { code: 'room-opened', name, until },
    );
  });
}

/**
 * Sets one thing for the week.
 * @throws Problem 404, 409 while the room is closed or when somebody else set it meanwhile, 400 for a tune on no step.
 */
export async function setTask(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  { task, version }: TaskInput,
): Promise<void> {
  const row = await oneClass(em, user, classId);
  if (task !== null) {
    const step = row.steps.findIndex(({ tuneId }) => tuneId === task.tuneId);
    if (step < 0) throw wrongInput({ 'task.tuneId': 'on-no-step' });
    const bars = row.readings[step]!.bars[0]!;
    if (task.bars !== null && task.bars[1] > bars) throw wrongInput({ 'task.bars': { code: 'bars', most: bars } });
  }
  await em.transactional(async (tx) => {
    const room = await tx.findOne(RoomEntity, { schoolClass: classId });
    if (room === null) throw new Problem(409, 'room-closed', t('service.open-the-practice-room-of-this'));
    await changeVersion(tx, user, RoomEntity, { where: { schoolClass: classId }, about: classId, version }, { task });
    await logChange(tx, user, classId, { code: task === null ? 'task-cleared' : 'task-set', name: row.name });
  });
}

/** The owner's switch. */
export async function roomsOfSchool(em: EntityManager, user: SignedIn): Promise<RoomsOfSchool> {
  const { roomAllowed } = await em.findOneOrFail(SchoolEntity, { id: user.schoolId }, { refresh: true });
  return { allowed: roomAllowed, open: await em.count(RoomEntity, { school: user.schoolId }) };
}

/** Off: every door of the school is closed at once; rooms and slips stay as they are. */
export async function allowRooms(em: EntityManager, user: SignedIn, allowed: boolean): Promise<void> {
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(SchoolEntity, { id: user.schoolId }, { roomAllowed: allowed });
    await logChange(tx, user, user.schoolId, { code: allowed ? 'rooms-allowed' : 'rooms-forbidden' });
  });
}
