import type { InferEntity, RequiredEntityData } from '@mikro-orm/core';
import { LETTERS } from '@escalier/core/music';
import { contrastWithWhite, LEAST_CONTRAST } from '@escalier/core/practice';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import { text, timeZone } from '../../platform/fields.ts';
import type { EntityManager } from '../../platform/database.ts';
import { version } from '../../platform/versions.ts';
import { changedFields, changeVersion, noteChange } from '../changes/index.ts';
import { SchoolEntity } from '../schools/index.ts';

export const schoolName = text().trim().min(1).max(100);

const colour = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, 'not-colour')
  .refine((each) => contrastWithWhite(each) >= LEAST_CONTRAST, 'too-pale');

export const schoolInput = z.object({
  name: schoolName,
  timeZone,
  /** Of note heads, by letter; null for the usual ones. */
  noteColours: z.record(z.enum(LETTERS), colour).nullable().default(null),
  version,
});

/** Changes what the school is called and where it is. */
export async function changeSchool(
  em: EntityManager,
  who: SignedIn,
  { version: read, ...input }: z.infer<typeof schoolInput>,
) {
  const before = await em.findOneOrFail(SchoolEntity, { id: who.schoolId });
  const changed = changedFields(before, input, {
    name: 'name',
    timeZone: 'time zone',
    noteColours: 'note colours',
  });
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, who, read, input);
    if (changed !== '') await noteChange(tx, who, who.schoolId, `The school: ${changed}`);
  });
}

/** Name, cautions and remarks of a school share its version. @throws Problem 409. */
export async function changeSchoolVersion(
  tx: EntityManager,
  who: SignedIn,
  read: number,
  next: Partial<
    Pick<
      RequiredEntityData<InferEntity<typeof SchoolEntity>>,
      'name' | 'timeZone' | 'cautions' | 'remarks' | 'noteColours' | 'templates'
    >
  >,
): Promise<void> {
  const which = { where: { id: who.schoolId }, about: who.schoolId, version: read };
  await changeVersion(tx, who, SchoolEntity, which, next);
}
