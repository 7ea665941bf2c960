import type { Meeting } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { wrongInput } from '../../platform/problem.ts';
import { changedFields, changeVersion, noteChange } from '../changes/index.ts';
import { StaircaseEntity } from '../staircase/index.ts';
import { TermEntity } from '../terms/index.ts';
import { TuneEntity } from '../tunes/index.ts';
import { classOf } from './access.ts';
import { ClassEntity, ClassTeacherEntity, type Brings, type TeachingStyle } from './entities.ts';
import type { ClassChange, NewClassInput } from './input.ts';

export interface ClassSettings {
  readonly id: string;
  readonly name: string;
  readonly grade: string;
  readonly termId: string;
  readonly staircaseId: string;
  readonly meetings: readonly Meeting[];
  readonly style: TeachingStyle;
  readonly brings: Brings;
  readonly version: number;
}

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classSettings(em: EntityManager, who: SignedIn, id: string): Promise<ClassSettings> {
  const row = await classOf(em, who, id);
  const { name, grade, term, staircase, meetings, style, brings, version } = row;
  return { id, name, grade, termId: term, staircaseId: staircase, meetings, style, brings, version };
}

/** @throws Problem 400 for a term or staircase of another school. */
export async function addClass(em: EntityManager, who: SignedIn, input: NewClassInput): Promise<ClassSettings> {
  const { termId, staircaseId, ...rest } = input;
  await checkTerm(em, who, termId);
  await checkTunes(em, who, input.brings.tuneIds);
  const staircase = await em.count(StaircaseEntity, { id: staircaseId, school: who.schoolId });
  if (staircase === 0) throw wrongInput({ staircaseId: 'unknown' });
  const id = newId();
  await em.transactional(async (tx) => {
    await tx.insert(ClassEntity, {
      id,
      school: who.schoolId,
      term: termId,
      staircase: staircaseId,
      calendarToken: null,
      ...rest,
    });
    await tx.insert(ClassTeacherEntity, { schoolClass: id, account: who.accountId });
    await noteChange(tx, who, id, `${input.name}: class made`);
  });
  return classSettings(em, who, id);
}

/** @throws Problem 404 when the class is not of the asker's school, 400 for a term of another. */
export async function changeClass(
  em: EntityManager,
  who: SignedIn,
  id: string,
  input: ClassChange,
): Promise<ClassSettings> {
  const { termId, version, ...rest } = input;
  const before = await classOf(em, who, id);
  await checkTerm(em, who, termId);
  await checkTunes(em, who, input.brings.tuneIds);
  const next = { term: termId, ...rest };
  const changed = changedFields(before, next, CLASS_WORDS);
  await em.transactional(async (tx) => {
    await changeVersion(tx, who, ClassEntity, { where: { id, school: who.schoolId }, about: id, version }, next);
    if (changed !== '') await noteChange(tx, who, id, `${before.name}: ${changed}`);
  });
  return classSettings(em.fork(), who, id);
}

const CLASS_WORDS = {
  name: 'name',
  grade: 'grade',
  term: 'term',
  meetings: 'meetings',
  style: 'teaching style',
  brings: 'what it knew before',
} as const;

async function checkTunes(em: EntityManager, who: SignedIn, ids: readonly string[]): Promise<void> {
  const count = await em.count(TuneEntity, { id: { $in: [...ids] }, school: who.schoolId });
  if (count < new Set(ids).size) throw wrongInput({ brings: 'unknown' });
}

async function checkTerm(em: EntityManager, who: SignedIn, termId: string): Promise<void> {
  const count = await em.count(TermEntity, { id: termId, school: who.schoolId });
  if (count === 0) throw wrongInput({ termId: 'unknown' });
}
