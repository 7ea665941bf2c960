import { randomBytes } from 'node:crypto';
import {
  compareGroups,
  lessonsOf,
  lostLessons,
  writeLessons,
  type GroupStand,
  type Lesson,
  type LostLesson,
} from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound } from '../../platform/problem.ts';
import { noteChange } from '../changes/index.ts';
import { ClassEntity, classOf } from '../classes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { TermEntity, type TermDto } from '../terms/index.ts';
import { localToday } from '../../platform/today.ts';

export interface ClassCalendar {
  readonly term: TermDto;
  readonly lessons: readonly Lesson[];
  readonly lost: readonly LostLesson[];
  /** This class and the parallel ones of its grade and term. */
  readonly groups: readonly (GroupStand & { readonly name: string })[];
  /** Secret end of the address to subscribe to; null as long as there is none. */
  readonly token: string | null;
}

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classCalendar(em: EntityManager, who: SignedIn, id: string, now: Date): Promise<ClassCalendar> {
  const schoolClass = await classOf(em, who, id);
  const term = await em.findOneOrFail(TermEntity, { id: schoolClass.term });
  const parallel = await em.find(
    ClassEntity,
    schoolClass.grade === '' ? { id } : { school: who.schoolId, term: schoolClass.term, grade: schoolClass.grade },
    { orderBy: { name: 'asc' } },
  );
  const groups = parallel.map((each) => ({ id: each.id, lessons: lessonsOf(term, each.meetings) }));
  return {
    term,
    lessons: lessonsOf(term, schoolClass.meetings),
    lost: lostLessons(term, schoolClass.meetings),
    groups: compareGroups(groups, localToday(now, who.timeZone)).map((stand) => ({
      ...stand,
      name: parallel.find((each) => each.id === stand.id)!.name,
    })),
    token: schoolClass.calendarToken ?? null,
  };
}

/** Opens or closes the address to subscribe to; a new one makes the old one useless. */
export async function switchLink(em: EntityManager, who: SignedIn, id: string, on: boolean): Promise<string | null> {
  const calendarToken = on ? randomBytes(24).toString('base64url') : null;
  const { name } = await classOf(em, who, id);
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(ClassEntity, { id }, { calendarToken });
    await noteChange(tx, who, id, `${name}: address of the calendar ${on ? 'opened' : 'closed'}`);
  });
  return calendarToken;
}

/** The lessons of a class as a file: for who is signed in, or for who has the secret of its calendar. */
export async function lessonsFile(
  em: EntityManager,
  which: { readonly id: string; readonly schoolId: string } | { readonly token: string },
  now: Date,
): Promise<{ readonly name: string; readonly text: string }> {
  const where = 'token' in which ? { calendarToken: which.token } : { id: which.id, school: which.schoolId };
  const schoolClass = await em.findOne(ClassEntity, where);
  if (schoolClass === null) throw notFound('calendar');
  const term = await em.findOneOrFail(TermEntity, { id: schoolClass.term });
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolClass.school });
  const text = writeLessons(lessonsOf(term, schoolClass.meetings), {
    className: schoolClass.name,
    timeZone: school.timeZone,
    uid: schoolClass.id,
    writtenAt: now,
  });
  return { name: schoolClass.name, text };
}
