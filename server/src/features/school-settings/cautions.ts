import { CAUTION_PLACES, USUAL_CAUTIONS } from '@escalier/core/practice';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import { text } from '../../platform/fields.ts';
import type { EntityManager } from '../../platform/database.ts';
import { version } from '../../platform/versions.ts';
import { noteChange } from '../changes/index.ts';
import { SchoolEntity, type SchoolCaution } from '../schools/index.ts';
import { changeSchoolVersion } from './details.ts';

const caution = z.object({
  id: text().min(1).max(60),
  text: text().trim().min(1).max(300),
  places: z.array(z.enum(CAUTION_PLACES)).min(1),
  shown: z.boolean(),
});
export const cautionsInput = z.object({
  version,
  cautions: z.array(caution).max(40).refine(areDifferent, 'twice'),
});

function areDifferent(cautions: readonly { readonly id: string }[]): boolean {
  return new Set(cautions.map((each) => each.id)).size === cautions.length;
}

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
  { cautions, version: read }: z.infer<typeof cautionsInput>,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, who, read, { cautions });
    await noteChange(tx, who, who.schoolId, 'Cautions of the school');
  });
}
