import { randomBytes } from 'node:crypto';
import {
  compareGroups,
  lessonsOf,
  lostLessons,
  writeLessons,
  type DaysOff,
  type GroupStand,
  type Lesson,
  type LostLesson,
  type ReadHolidays,
  type Rotation,
} from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { reader } from '../../reader/index.ts';
import { ClassEntity, classOf, localToday } from '../classes/index.ts';
import { changedFields, changeVersion, noteChange, SchoolEntity, TermEntity } from '../schools/index.ts';
import type { TermChange, TermInput } from './input.ts';

export interface TermDto {
  readonly id: string;
  readonly name: string;
  readonly startsOn: string;
  readonly endsOn: string;
  readonly daysOff: readonly DaysOff[];
  readonly rotation: Rotation;
  readonly version: number;
}

export interface ClassCalendar {
  readonly term: TermDto;
  readonly lessons: readonly Lesson[];
  readonly lost: readonly LostLesson[];
  /** This class and the parallel ones of its grade and term. */
  readonly groups: readonly (GroupStand & { readonly name: string })[];
  /** Secret end of the address to subscribe to; null as long as there is none. */
  readonly token: string | null;
}

export async function listTerms(em: EntityManager, who: SignedIn): Promise<readonly TermDto[]> {
  return em.find(TermEntity, { school: who.schoolId }, { orderBy: { startsOn: 'desc' } });
}

export async function addTerm(em: EntityManager, who: SignedIn, input: TermInput): Promise<TermDto> {
  const id = newId();
  await em.transactional(async (tx) => {
    await tx.insert(TermEntity, { id, school: who.schoolId, ...input });
    await noteChange(tx, who, id, `${input.name}: term made`);
  });
  return { id, ...input, version: 1 };
}

/** @throws Problem 404 when the term is not of the asker's school. */
export async function changeTerm(em: EntityManager, who: SignedIn, id: string, change: TermChange): Promise<TermDto> {
  const { version, ...input } = change;
  const before = await em.findOne(TermEntity, { id, school: who.schoolId });
  if (before === null) throw notFound('term');
  const changed = changedFields(before, input, TERM_WORDS);
  await em.transactional(async (tx) => {
    await changeVersion(tx, who, TermEntity, { where: { id }, about: id, version }, input);
    if (changed !== '') await noteChange(tx, who, id, `${before.name}: ${changed}`);
  });
  return { id, ...input, version: version + 1 };
}

const TERM_WORDS = {
  name: 'name',
  startsOn: 'first day',
  endsOn: 'last day',
  daysOff: 'days off',
  rotation: 'rotation',
} as const;

/** What an iCalendar file would add to a term; nothing is stored. @throws Problem 400 when it is no such file. */
export async function previewHolidays(
  em: EntityManager,
  who: SignedIn,
  id: string,
  ics: string,
): Promise<ReadHolidays> {
  const term = await em.findOne(TermEntity, { id, school: who.schoolId });
  if (term === null) throw notFound('term');
  const read = await reader.holidays(ics, term.startsOn, term.endsOn);
  if (!read.ok) throw wrongInput({ ics: read.error });
  return read.value;
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
