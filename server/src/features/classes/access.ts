import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound } from '../../platform/problem.ts';
import { ClassEntity, ClassTeacherEntity, PupilEntity } from './entities.ts';

/** Ids of the classes that somebody teaches or hears; null for an owner, who opens all of the school. */
export async function ownClasses(em: EntityManager, user: SignedIn): Promise<readonly string[] | null> {
  if (user.role === 'owner') return null;
  const rows = await em.find(ClassTeacherEntity, { account: user.accountId });
  return rows.map((row) => row.schoolClass);
}

/** Ids of all classes that somebody may open. */
export async function openClasses(em: EntityManager, user: SignedIn): Promise<readonly string[]> {
  const own = await ownClasses(em, user);
  if (own !== null) return own;
  return (await em.find(ClassEntity, { school: user.schoolId }, { fields: ['id'] })).map((each) => each.id);
}

/** @throws Problem 404 when the class is not of the asker's school, or not one of the asker's. */
export async function classOf(em: EntityManager, user: SignedIn, id: string) {
  const found = await em.findOne(ClassEntity, { id, school: user.schoolId });
  const own = found === null ? null : await ownClasses(em, user);
  if (found === null || (own !== null && !own.includes(id))) throw notFound('class');
  return found;
}

/** @throws Problem 404 when the pupil is not of a class that the asker may open. */
export async function pupilOf(em: EntityManager, user: SignedIn, id: string) {
  const found = await em.findOne(PupilEntity, { id, school: user.schoolId });
  const own = found === null ? null : await ownClasses(em, user);
  if (found === null || (own !== null && !own.includes(found.schoolClass))) throw notFound('pupil');
  return found;
}
