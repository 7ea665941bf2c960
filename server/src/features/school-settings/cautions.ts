import type { CautionsInput } from '@escalier/contract/schools';
import type { SchoolCaution } from '@escalier/contract/schools';
import { USUAL_CAUTIONS } from '@escalier/core/practice';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { logChange } from '../changes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { changeSchoolVersion } from './details.ts';

/** The cautions of a school: its own, or the usual ones. */
export async function readCautions(em: EntityManager, schoolId: string) {
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolId });
  const cautions: readonly SchoolCaution[] =
    school.cautions ?? USUAL_CAUTIONS.map((caution) => ({ ...caution, shown: true }));
  return { cautions, version: school.version };
}

export async function keepCautions(
  em: EntityManager,
  user: SignedIn,
  { cautions, version: read }: CautionsInput,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, user, read, { cautions });
    await logChange(tx, user, user.schoolId, { code: 'cautions-changed' });
  });
}
