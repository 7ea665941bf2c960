import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { valid } from '../../platform/valid.ts';
import { classPage, listClasses, stepPage } from './service.ts';

const stepParams = idParam.extend({ position: z.coerce.number().int().min(1).max(1000) });

export const classRoutes = new Hono<AppEnv>()
  .get('/', async (c) => c.json(await listClasses(c.var.em, c.var.who, c.var.now)))
  .get('/:id', valid('param', idParam), async (c) => {
    return c.json(await classPage(c.var.em, c.var.who, c.req.valid('param').id, c.var.now));
  })
  .get('/:id/steps/:position', valid('param', stepParams), async (c) => {
    const { id, position } = c.req.valid('param');
    return c.json(await stepPage(c.var.em, c.var.who, id, position));
  });
