import { Hono } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { findable } from './find.ts';
import { classChange, newClassInput } from './input.ts';
import { addClass, changeClass, classSettings } from './settings.ts';

export const classRoutes = new Hono<AppEnv>()
  .post('/', valid('json', newClassInput), async (c) => {
    return c.json(await addClass(c.var.em, c.var.who, c.req.valid('json')), 201);
  })
  .get('/:id/settings', valid('param', idParam), async (c) => {
    return c.json(await classSettings(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .put('/:id/settings', valid('param', idParam), valid('json', classChange), async (c) => {
    return c.json(await changeClass(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  });

export const findRoutes = new Hono<AppEnv>().get('/', forRole('assistant'), async (c) =>
  c.json(await findable(c.var.em, c.var.who)),
);
