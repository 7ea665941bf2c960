import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { timeZone } from '../../platform/time-zone.ts';
import { changedFields, noteChange } from './changes.ts';
import { SchoolEntity } from './entities.ts';

export const schoolName = z.string().trim().min(1, 'Give the school a name.').max(100, 'At most 100 letters.');

export const schoolInput = z.object({ name: schoolName, timeZone });

/** Changes what the school is called and where it is. */
export async function changeSchool(em: EntityManager, who: SignedIn, input: z.infer<typeof schoolInput>) {
  const before = await em.findOneOrFail(SchoolEntity, { id: who.schoolId });
  const changed = changedFields(before, input, { name: 'name', timeZone: 'time zone' });
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(SchoolEntity, { id: who.schoolId }, input);
    if (changed !== '') await noteChange(tx, who, who.schoolId, `The school: ${changed}`);
  });
}
