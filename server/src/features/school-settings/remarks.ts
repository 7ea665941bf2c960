import { REMARKS, type Remark } from '@escalier/core/records';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import { text } from '../../platform/fields.ts';
import type { EntityManager } from '../../platform/database.ts';
import { version } from '../../platform/versions.ts';
import { noteChange } from '../changes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { changeSchoolVersion } from './details.ts';

const MOST_REMARKS = 20;

export const remarksInput = z.object({
  version,
  remarks: z
    .array(
      z.object({
        id: z.string().regex(/^[a-z0-9-]{1,60}$/),
        words: text().trim().min(1).max(24),
        remedy: text().trim().max(160),
      }),
    )
    .min(1)
    .max(MOST_REMARKS)
    .refine((remarks) => new Set(remarks.map(({ id }) => id)).size === remarks.length, 'twice'),
});

/** The remarks of a school: its own, or the usual ones. */
export async function schoolRemarks(em: EntityManager, schoolId: string) {
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolId });
  const remarks: readonly Remark[] = school.remarks ?? REMARKS;
  return { remarks, version: school.version };
}

export async function keepRemarks(
  em: EntityManager,
  who: SignedIn,
  { remarks, version: read }: z.infer<typeof remarksInput>,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, who, read, { remarks });
    await noteChange(tx, who, who.schoolId, 'Remarks at hearing');
  });
}
