import { Findable } from '@escalier/contract/class-pages';
import { ClassChange, ClassSettings, NewClass } from '@escalier/contract/classes';
import { idParam } from '@escalier/contract/fields';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { findable } from './find.ts';
import { addClass, changeClass, classSettings } from './settings.ts';

export const classRoutes = new Hono<AppEnv>()
  .post('/', answers(ClassSettings, 201), valid('json', NewClass), async (c) => {
    return c.json(await addClass(c.var.em, c.var.who, c.req.valid('json')), 201);
  })
  .get('/:id/settings', answers(ClassSettings), valid('param', idParam), async (c) => {
    return c.json(await classSettings(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .put('/:id/settings', answers(ClassSettings), valid('param', idParam), valid('json', ClassChange), async (c) => {
    return c.json(await changeClass(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  });

export const findRoutes = new Hono<AppEnv>().get('/', answers(Findable), forRole('assistant'), async (c) =>
  c.json(await findable(c.var.em, c.var.who)),
);
