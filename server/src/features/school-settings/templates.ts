import type { TemplatesInput } from '@escalier/contract/schools';
import type { SchoolTemplates } from '@escalier/contract/schools';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { logChange } from '../changes/index.ts';
import { SchoolEntity } from '../schools/index.ts';
import { changeSchoolVersion } from './details.ts';

const USUAL: SchoolTemplates = { 'new-note': '', pass: '', recital: '', certificate: '' };

/** The school's own words for letters and certificates; empty for the usual ones. */
export async function readTemplates(em: EntityManager, schoolId: string) {
  const school = await em.findOneOrFail(SchoolEntity, { id: schoolId });
  return { templates: school.templates ?? USUAL, version: school.version };
}

export async function keepTemplates(
  em: EntityManager,
  user: SignedIn,
  { templates, version: read }: TemplatesInput,
): Promise<void> {
  await em.transactional(async (tx) => {
    await changeSchoolVersion(tx, user, read, { templates });
    await logChange(tx, user, user.schoolId, { code: 'letters-changed' });
  });
}
