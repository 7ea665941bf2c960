import type { Meeting } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { TermEntity } from '../schools/index.ts';
import { StaircaseEntity } from '../staircase/index.ts';
import { ClassEntity, type TeachingStyle } from './entities.ts';
import type { ClassInput, NewClassInput } from './input.ts';

export interface ClassSettings {
  readonly id: string;
  readonly name: string;
  readonly grade: string;
  readonly termId: string;
  readonly staircaseId: string;
  readonly meetings: readonly Meeting[];
  readonly style: TeachingStyle;
}

export interface StaircaseChoice {
  readonly id: string;
  readonly name: string;
  readonly instrumentId: string;
}

export async function listStaircases(em: EntityManager, who: SignedIn): Promise<readonly StaircaseChoice[]> {
  const rows = await em.find(StaircaseEntity, { school: who.schoolId }, { orderBy: { name: 'asc' } });
  return rows.map(({ id, name, instrument }) => ({ id, name, instrumentId: instrument }));
}

/** @throws Problem 404 when the class is not of the asker's school. */
export async function classSettings(em: EntityManager, who: SignedIn, id: string): Promise<ClassSettings> {
  const row = await em.findOne(ClassEntity, { id, school: who.schoolId });
  if (row === null) throw notFound('class');
  const { name, grade, term, staircase, meetings, style } = row;
  return { id, name, grade, termId: term, staircaseId: staircase, meetings, style };
}

/** @throws Problem 400 for a term or staircase of another school. */
export async function addClass(em: EntityManager, who: SignedIn, input: NewClassInput): Promise<ClassSettings> {
  const { termId, staircaseId, ...rest } = input;
  await checkTerm(em, who, termId);
  const staircase = await em.count(StaircaseEntity, { id: staircaseId, school: who.schoolId });
  if (staircase === 0) throw wrongInput({ staircaseId: 'There is no such staircase.' });
  const id = newId();
  await em.insert(ClassEntity, {
    id,
    school: who.schoolId,
    term: termId,
    staircase: staircaseId,
    calendarToken: null,
    ...rest,
  });
  return classSettings(em, who, id);
}

/** @throws Problem 404 when the class is not of the asker's school, 400 for a term of another. */
export async function changeClass(
  em: EntityManager,
  who: SignedIn,
  id: string,
  input: ClassInput,
): Promise<ClassSettings> {
  const { termId, ...rest } = input;
  await classSettings(em, who, id);
  await checkTerm(em, who, termId);
  await em.nativeUpdate(ClassEntity, { id, school: who.schoolId }, { term: termId, ...rest });
  return classSettings(em.fork(), who, id);
}

async function checkTerm(em: EntityManager, who: SignedIn, termId: string): Promise<void> {
  const count = await em.count(TermEntity, { id: termId, school: who.schoolId });
  if (count === 0) throw wrongInput({ termId: 'There is no such term.' });
}
