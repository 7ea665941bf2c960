import { idParam } from '@escalier/contract/fields';
import { TuneUse, tuneGone } from '@escalier/contract/tunes';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { deleteTune, tuneUse } from './service.ts';

/** What needs to know who uses a tune: it stands above staircases and results, the tunes themselves below. */
export const tuneUseRoutes = new Hono<AppEnv>()
  .get('/:id/use', answers(TuneUse), valid('param', idParam), async (c) =>
    c.json(await tuneUse(c.var.em, c.var.who, c.req.valid('param').id)),
  )
  .delete('/:id', answers(tuneGone), valid('param', idParam), async (c) => {
    return c.json(await deleteTune(c.var.em, c.var.who, c.req.valid('param').id));
  });
