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
export async function classSettings(em: EntityManager, user: SignedIn, id: string): Promise<ClassSettings> {
  const row = await classOf(em, user, id);
  const { name, grade, term, staircase, meetings, style, brings, version } = row;
  return { id, name, grade, termId: term, staircaseId: staircase, meetings, style, brings, version };
}

/** @throws Problem 400 for a term or staircase of another school. */
export async function addClass(em: EntityManager, user: SignedIn, input: NewClass): Promise<ClassSettings> {
  const { termId, staircaseId, ...rest } = input;
  await checkTerm(em, user, termId);
  await checkTunes(em, user, input.brings.tuneIds);
  const staircase = await em.count(StaircaseEntity, { id: staircaseId, school: user.schoolId });
  if (staircase === 0) throw wrongInput({ staircaseId: 'unknown' });
  const id = newId();
  await em.transactional(async (tx) => {
    await tx.insert(ClassEntity, {
      id,
      school: user.schoolId,
      term: termId,
      staircase: staircaseId,
      calendarToken: null,
      ...rest,
    });
    await tx.insert(ClassTeacherEntity, { schoolClass: id, account: user.accountId });
    await logChange(tx, user, id, { code: 'class-made', name: input.name });
  });
  return classSettings(em, user, id);
}

/** @throws Problem 404 when the class is not of the asker's school, 400 for a term of another. */
export async function changeClass(
  em: EntityManager,
  user: SignedIn,
  id: string,
  input: ClassChange,
): Promise<ClassSettings> {
  const { termId, version, ...rest } = input;
  const before = await classOf(em, user, id);
  await checkTerm(em, user, termId);
  await checkTunes(em, user, input.brings.tuneIds);
  const next = { term: termId, ...rest };
  const fields = changedFields(before, next);
  await em.transactional(async (tx) => {
    await changeVersion(tx, user, ClassEntity, { where: { id, school: user.schoolId }, about: id, version }, next);
    if (fields.length > 0) await logChange(tx, user, id, { code: 'class-changed', name: before.name, fields });
  });
  return classSettings(em.fork(), user, id);
}

async function checkTunes(em: EntityManager, user: SignedIn, ids: readonly string[]): Promise<void> {
  const count = await em.count(TuneEntity, { id: { $in: [...ids] }, school: user.schoolId });
  if (count < new Set(ids).size) throw wrongInput({ brings: 'unknown' });
}

async function checkTerm(em: EntityManager, user: SignedIn, termId: string): Promise<void> {
  const count = await em.count(TermEntity, { id: termId, school: user.schoolId });
  if (count === 0) throw wrongInput({ termId: 'unknown' });
}
