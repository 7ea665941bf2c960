import { FAULTS, type Fault } from '@escalier/core/records';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import { text } from '../../platform/fields.ts';
import type { EntityManager } from '../../platform/database.ts';
import { version } from '../../platform/versions.ts';
import { noteChange } from './changes.ts';
import { changeSchoolVersion } from './details.ts';
import { SchoolEntity } from './entities.ts';

const MOST_FAULTS = 20;

export const faultsInput = z.object({
  version,
  faults: z
    .array(
      z.object({
        id: z.string().regex(/^[a-z0-9-]{1,60}$/, 'Small letters, digits and hyphens.'),
        words: text().trim().min(1, 'A remark needs words.').max(24, 'At most 24 letters: short enough to tap.'),
        remedy: text().trim().max(160, 'At most 160 letters.'),
      }),
    )
    .min(1, 'One remark at least.')
    .max(MOST_FAULTS, `At most ${MOST_FAULTS} remarks.`)
    .refine((faults) => new Set(faults.map(({ id }) => id)).size === faults.length, 'Each remark once.'),
});

/** The remarks of a school: its own, or the usual ones. */
export async function schoolFaults(em: EntityManager, schoolId: string) {
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolId });
  const faults: readonly Fault[] = school.faults ?? FAULTS;
  return { faults, version: school.version };
}

export async function keepFaults(
  em: EntityManager,
  who: SignedIn,
  { faults, version: read }: z.infer<typeof faultsInput>,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, who, read, { faults });
    await noteChange(tx, who, who.schoolId, 'Remarks at hearing');
  });
}
