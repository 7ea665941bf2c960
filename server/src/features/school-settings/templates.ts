import { TEMPLATE_IDS } from '@escalier/core/handouts';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';
import { noteChange } from '../changes/index.ts';
import { SchoolEntity, type SchoolTemplates } from '../schools/index.ts';
import { changeSchoolVersion } from './details.ts';

const words = text().max(4000);
export const templatesInput = z.object({ version, templates: z.record(z.enum(TEMPLATE_IDS), words) });

const USUAL: SchoolTemplates = { 'new-note': '', pass: '', recital: '', certificate: '' };

/** The school's own words for letters and certificates; empty for the usual ones. */
export async function readTemplates(em: EntityManager, schoolId: string) {
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolId });
  return { templates: school.templates ?? USUAL, version: school.version };
}

export async function keepTemplates(
  em: EntityManager,
  who: SignedIn,
  { templates, version: read }: z.infer<typeof templatesInput>,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, who, read, { templates });
    await noteChange(tx, who, who.schoolId, 'Words of letters and certificates');
  });
}
