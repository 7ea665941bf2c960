import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { text } from '../../platform/fields.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { version } from '../../platform/versions.ts';
import { classKnowledge, classPage, classTunes, keepClassTune, listClasses, stepPage, tunePage } from './service.ts';

const stepParams = idParam.extend({ position: z.coerce.number().int().min(1).max(1000) });
const tuneParams = idParam.extend({ tuneId: z.uuid() });
const place = z.object({ barIndex: z.number().int().min(0), eventIndex: z.number().int().min(0) });
const classTuneInput = z.object({
  breathSeconds: z.number().int().min(2).max(20),
  breaths: z.array(place).max(500).nullable(),
  /** Where it stands in the class's own book. */
  bookPage: text().trim().max(40).default(''),
  /** 0 as long as the class has changed nothing. */
  version,
});

export const classPageRoutes = new Hono<AppEnv>()
  .get('/', forRole('assistant'), async (c) => c.json(await listClasses(c.var.em, c.var.who, c.var.now)))
  .get('/:id', forRole('assistant'), valid('param', idParam), async (c) => {
    return c.json(await classPage(c.var.em, c.var.who, c.req.valid('param').id, c.var.now));
  })
  .get('/:id/steps/:position', forRole('assistant'), valid('param', stepParams), async (c) => {
    const { id, position } = c.req.valid('param');
    return c.json(await stepPage(c.var.em, c.var.who, id, position));
  })
  .get('/:id/knowledge', forRole('assistant'), valid('param', idParam), async (c) => {
    return c.json(await classKnowledge(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .get('/:id/tunes', valid('param', idParam), async (c) => {
    return c.json(await classTunes(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .get('/:id/tunes/:tuneId', forRole('assistant'), valid('param', tuneParams), async (c) => {
    const { id, tuneId } = c.req.valid('param');
    return c.json(await tunePage(c.var.em, c.var.who, id, tuneId));
  })
  .put('/:id/tunes/:tuneId', valid('param', tuneParams), valid('json', classTuneInput), async (c) => {
    const { id, tuneId } = c.req.valid('param');
    return c.json(await keepClassTune(c.var.em, c.var.who, id, tuneId, c.req.valid('json')));
  });
