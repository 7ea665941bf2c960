import type { RemarksInput } from '@escalier/contract/schools';
import { REMARKS, type Remark } from '@escalier/core/records';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { logChange } from '../changes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { changeSchoolVersion } from './details.ts';

/** The remarks of a school: its own, or the usual ones. */
export async function schoolRemarks(em: EntityManager, schoolId: string) {
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolId });
  const remarks: readonly Remark[] = school.remarks ?? REMARKS;
  return { remarks, version: school.version };
}

export async function keepRemarks(
  em: EntityManager,
  user: SignedIn,
  { remarks, version: read }: RemarksInput,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, user, read, { remarks });
    await logChange(tx, user, user.schoolId, { code: 'remarks-changed' });
  });
}
