import { done } from '@escalier/contract/fields';
import {
  cautionList,
  CautionsInput,
  remarkList,
  RemarksInput,
  SchoolInput,
  templateList,
  TemplatesInput,
} from '@escalier/contract/schools';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { keepCautions, readCautions } from './cautions.ts';
import { changeSchool } from './details.ts';
import { keepRemarks, schoolRemarks } from './remarks.ts';
import { keepTemplates, readTemplates } from './templates.ts';

export const schoolRoutes = new Hono<AppEnv>()
  .put('/', answers(done), forRole('owner'), valid('json', SchoolInput), async (c) => {
    await changeSchool(c.var.em, c.var.who, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .get('/cautions', answers(cautionList), forRole('assistant'), async (c) =>
    c.json(await readCautions(c.var.em, c.var.who.schoolId)),
  )
  .put('/cautions', answers(cautionList), valid('json', CautionsInput), async (c) => {
    await keepCautions(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await readCautions(c.var.em.fork(), c.var.who.schoolId));
  })
  .get('/templates', answers(templateList), async (c) => c.json(await readTemplates(c.var.em, c.var.who.schoolId)))
  .put('/templates', answers(templateList), valid('json', TemplatesInput), async (c) => {
    await keepTemplates(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await readTemplates(c.var.em.fork(), c.var.who.schoolId));
  })
  .get('/remarks', answers(remarkList), forRole('assistant'), async (c) =>
    c.json(await schoolRemarks(c.var.em, c.var.who.schoolId)),
  )
  .put('/remarks', answers(remarkList), valid('json', RemarksInput), async (c) => {
    await keepRemarks(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await schoolRemarks(c.var.em.fork(), c.var.who.schoolId));
  });
