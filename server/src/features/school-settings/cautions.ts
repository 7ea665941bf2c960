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
    school.cautions ?? USUAL_CAUTIONS.map((each) => ({ ...each, shown: true }));
  return { cautions, version: school.version };
}

export async function keepCautions(
  em: EntityManager,
  who: SignedIn,
  { cautions, version: read }: CautionsInput,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, who, read, { cautions });
    await logChange(tx, who, who.schoolId, { code: 'cautions-changed' });
  });
}
