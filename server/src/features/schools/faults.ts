import { FAULTS, type Fault } from '@escalier/core/records';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { noteChange } from './changes.ts';
import { SchoolEntity } from './entities.ts';

const MOST_FAULTS = 20;

export const faultsInput = z.object({
  faults: z
    .array(
      z.object({
        id: z.string().regex(/^[a-z0-9-]{1,60}$/, 'Small letters, digits and hyphens.'),
        words: z.string().trim().min(1, 'A remark needs words.').max(24, 'At most 24 letters: short enough to tap.'),
        remedy: z.string().trim().max(160, 'At most 160 letters.'),
      }),
    )
    .min(1, 'One remark at least.')
    .max(MOST_FAULTS, `At most ${MOST_FAULTS} remarks.`)
    .refine((faults) => new Set(faults.map(({ id }) => id)).size === faults.length, 'Each remark once.'),
});

/** The remarks of a school: its own, or the usual ones. */
export async function schoolFaults(em: EntityManager, schoolId: string): Promise<readonly Fault[]> {
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolId });
  return school.faults ?? FAULTS;
}

export async function keepFaults(em: EntityManager, who: SignedIn, faults: readonly Fault[]): Promise<void> {
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(SchoolEntity, { id: who.schoolId }, { faults: [...faults] });
    await noteChange(tx, who, null, 'Remarks at hearing');
  });
}
