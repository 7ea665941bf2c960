import { MOST_ABC_CHARACTERS } from '@escalier/core/formats';
import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { text } from '../../platform/fields.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { version } from '../../platform/versions.ts';
import { valid } from '../../platform/valid.ts';
import { addTune, changeTune, listTunes, oneTune, restoreTune } from './service.ts';

const tuneInput = z.object({ abc: text().max(MOST_ABC_CHARACTERS) });

export const tuneRoutes = new Hono<AppEnv>()
  .get('/', forRole('assistant'), async (c) => c.json(await listTunes(c.var.em, c.var.who)))
  .post('/', valid('json', tuneInput), async (c) => {
    return c.json(await addTune(c.var.em, c.var.who, c.req.valid('json').abc), 201);
  })
  .get('/:id', forRole('assistant'), valid('param', idParam), async (c) =>
    c.json(await oneTune(c.var.em, c.var.who, c.req.valid('param').id)),
  )
  .put('/:id', valid('param', idParam), valid('json', tuneInput.extend({ version })), async (c) => {
    return c.json(await changeTune(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .post('/:id/restore', valid('param', idParam), async (c) =>
    c.json(await restoreTune(c.var.em, c.var.who, c.req.valid('param').id)),
  );
