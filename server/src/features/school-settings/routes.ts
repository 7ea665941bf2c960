import { Hono } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { cautionsInput, keepCautions, readCautions } from './cautions.ts';
import { changeSchool, schoolInput } from './details.ts';
import { keepRemarks, remarksInput, schoolRemarks } from './remarks.ts';
import { keepTemplates, readTemplates, templatesInput } from './templates.ts';

export const schoolRoutes = new Hono<AppEnv>()
  .put('/', forRole('owner'), valid('json', schoolInput), async (c) => {
    await changeSchool(c.var.em, c.var.who, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .get('/cautions', forRole('assistant'), async (c) => c.json(await readCautions(c.var.em, c.var.who.schoolId)))
  .put('/cautions', valid('json', cautionsInput), async (c) => {
    await keepCautions(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await readCautions(c.var.em.fork(), c.var.who.schoolId));
  })
  .get('/templates', async (c) => c.json(await readTemplates(c.var.em, c.var.who.schoolId)))
  .put('/templates', valid('json', templatesInput), async (c) => {
    await keepTemplates(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await readTemplates(c.var.em.fork(), c.var.who.schoolId));
  })
  .get('/remarks', forRole('assistant'), async (c) => c.json(await schoolRemarks(c.var.em, c.var.who.schoolId)))
  .put('/remarks', valid('json', remarksInput), async (c) => {
    await keepRemarks(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await schoolRemarks(c.var.em.fork(), c.var.who.schoolId));
  });
