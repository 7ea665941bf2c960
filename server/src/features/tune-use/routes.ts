import { Hono } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { valid } from '../../platform/valid.ts';
import { deleteTune, tuneUse } from './service.ts';

/** What needs to know who uses a tune: it stands above staircases and results, the tunes themselves below. */
export const tuneUseRoutes = new Hono<AppEnv>()
  .get('/:id/use', valid('param', idParam), async (c) =>
    c.json(await tuneUse(c.var.em, c.var.who, c.req.valid('param').id)),
  )
  .delete('/:id', valid('param', idParam), async (c) => {
    return c.json(await deleteTune(c.var.em, c.var.who, c.req.valid('param').id));
  });
