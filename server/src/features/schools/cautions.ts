import { CAUTION_PLACES, USUAL_CAUTIONS } from '@escalier/core/practice';
import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { text } from '../../platform/fields.ts';
import type { EntityManager } from '../../platform/database.ts';
import { version } from '../../platform/versions.ts';
import { valid } from '../../platform/valid.ts';
import { changeSchool, changeSchoolVersion, schoolInput } from './details.ts';
import { noteChange } from './changes.ts';
import { SchoolEntity, type SchoolCaution } from './entities.ts';
import { remarksInput, keepRemarks, schoolRemarks } from './remarks.ts';

const caution = z.object({
  id: text().min(1).max(60),
  text: text().trim().min(1, 'A caution needs words.').max(300, 'At most 300 letters.'),
  places: z.array(z.enum(CAUTION_PLACES)).min(1, 'Say where it is shown.'),
  shown: z.boolean(),
});
const cautionsInput = z.object({
  version,
  cautions: z
    .array(caution)
    .max(40, 'At most 40 cautions.')
    .refine(areDifferent, 'Each caution needs a name of its own.'),
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

export const schoolRoutes = new Hono<AppEnv>()
  .put('/', valid('json', schoolInput), async (c) => {
    await changeSchool(c.var.em, c.var.who, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .get('/cautions', async (c) => c.json(await readCautions(c.var.em, c.var.who.schoolId)))
  .get('/remarks', async (c) => c.json(await schoolRemarks(c.var.em, c.var.who.schoolId)))
  .put('/remarks', valid('json', remarksInput), async (c) => {
    await keepRemarks(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await schoolRemarks(c.var.em.fork(), c.var.who.schoolId));
  })
  .put('/cautions', valid('json', cautionsInput), async (c) => {
    const { cautions, version: read } = c.req.valid('json');
    await c.var.em.transactional(async (tx) => {
      await changeSchoolVersion(tx, c.var.who, read, { cautions });
      await noteChange(tx, c.var.who, c.var.who.schoolId, 'Cautions of the school');
    });
    return c.json(await readCautions(c.var.em.fork(), c.var.who.schoolId));
  });
