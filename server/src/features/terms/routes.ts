import { MOST_CALENDAR_CHARACTERS } from '@escalier/core/calendar';
import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { valid } from '../../platform/valid.ts';
import { termChange, termInput } from './input.ts';
import { addTerm, changeTerm, listTerms, previewHolidays } from './service.ts';

const icsInput = z.object({ ics: z.string().min(1).max(MOST_CALENDAR_CHARACTERS) });

export const termRoutes = new Hono<AppEnv>()
  .get('/', async (c) => c.json(await listTerms(c.var.em, c.var.who)))
  .post('/', valid('json', termInput), async (c) =>
    c.json(await addTerm(c.var.em, c.var.who, c.req.valid('json')), 201),
  )
  .put('/:id', valid('param', idParam), valid('json', termChange), async (c) => {
    return c.json(await changeTerm(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .post('/:id/holidays', valid('param', idParam), valid('json', icsInput), async (c) => {
    return c.json(await previewHolidays(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').ics));
  });
