import { Hono } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { classNotes } from './service.ts';

/** The notes of a class, by the id of the class. */
export const noteRoutes = new Hono<AppEnv>().get('/:id', forRole('assistant'), valid('param', idParam), async (c) => {
  return c.json(await classNotes(c.var.em, c.var.who, c.req.valid('param').id));
});
