import type { SchoolInput } from '@escalier/contract/schools';
import type { InferEntity, RequiredEntityData } from '@mikro-orm/core';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { changedFields, changeVersion, logChange } from '../changes/index.ts';
import { SchoolEntity } from '../schools/index.ts';

/** Changes what the school is called and where it is. */
export async function changeSchool(em: EntityManager, user: SignedIn, { version: read, ...input }: SchoolInput) {
  const before = await em.findOneOrFail(SchoolEntity, { id: user.schoolId });
  const fields = changedFields(before, input);
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, user, read, input);
    if (fields.length > 0) await logChange(tx, user, user.schoolId, { code: 'school-changed', fields });
  });
}

/** Name, cautions and remarks of a school share its version. @throws Problem 409. */
export async function changeSchoolVersion(
  tx: EntityManager,
  user: SignedIn,
  read: number,
  next: Partial<
    Pick<
      RequiredEntityData<InferEntity<typeof SchoolEntity>>,
      'name' | 'timeZone' | 'english' | 'cautions' | 'remarks' | 'noteColours' | 'templates'
    >
  >,
): Promise<void> {
  const which = { where: { id: user.schoolId }, about: user.schoolId, version: read };
  await changeVersion(tx, user, SchoolEntity, which, next);
}
