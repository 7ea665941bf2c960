import type { ClassChange, ClassSettings, NewClass } from '@escalier/contract/classes';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { wrongInput } from '../../platform/problem.ts';
import { changedFields, changeVersion, logChange } from '../changes/index.ts';
import { StaircaseEntity } from '../staircase/index.ts';
import { TermEntity } from '../terms/index.ts';
import { TuneEntity } from '../tunes/index.ts';
import { classOf } from './access.ts';
import { ClassEntity, ClassTeacherEntity } from './entities.ts';

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classSettings(em: EntityManager, who: SignedIn, id: string): Promise<ClassSettings> {
  const row = await classOf(em, who, id);
  const { name, grade, term, staircase, meetings, style, brings, version } = row;
  return { id, name, grade, termId: term, staircaseId: staircase, meetings, style, brings, version };
}

/** @throws Problem 400 for a term or staircase of another school. */
export async function addClass(em: EntityManager, who: SignedIn, input: NewClass): Promise<ClassSettings> {
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
    await logChange(tx, who, id, { code: 'class-made', name: input.name });
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
  const fields = changedFields(before, next);
  await em.transactional(async (tx) => {
    await changeVersion(tx, who, ClassEntity, { where: { id, school: who.schoolId }, about: id, version }, next);
    if (fields.length > 0) await logChange(tx, who, id, { code: 'class-changed', name: before.name, fields });
  });
  return classSettings(em.fork(), who, id);
}

async function checkTunes(em: EntityManager, who: SignedIn, ids: readonly string[]): Promise<void> {
  const count = await em.count(TuneEntity, { id: { $in: [...ids] }, school: who.schoolId });
  if (count < new Set(ids).size) throw wrongInput({ brings: 'unknown' });
}

async function checkTerm(em: EntityManager, who: SignedIn, termId: string): Promise<void> {
  const count = await em.count(TermEntity, { id: termId, school: who.schoolId });
  if (count === 0) throw wrongInput({ termId: 'unknown' });
}
