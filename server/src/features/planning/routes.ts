import { Hono } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { valid } from '../../platform/valid.ts';
import { classStaircase, newStaircase, staircaseChange } from './input.ts';
import { listStaircases, oneStaircase } from './read.ts';
import { addStaircase, changeStaircase, climbAnother, deleteStaircase } from './service.ts';

export const staircaseRoutes = new Hono<AppEnv>()
  .get('/', async (c) => c.json(await listStaircases(c.var.em, c.var.who)))
  .post('/', valid('json', newStaircase), async (c) => {
    return c.json(await addStaircase(c.var.em, c.var.who, c.req.valid('json')), 201);
  })
  .get('/:id', valid('param', idParam), async (c) => {
    return c.json(await oneStaircase(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .put('/:id', valid('param', idParam), valid('json', staircaseChange), async (c) => {
    return c.json(await changeStaircase(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .delete('/:id', valid('param', idParam), async (c) => {
    await deleteStaircase(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ deleted: true });
  });

/** Under `/classes`. */
export const classStaircaseRoutes = new Hono<AppEnv>().put(
  '/:id/staircase',
  valid('param', idParam),
  valid('json', classStaircase),
  async (c) => {
    await climbAnother(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ staircaseId: c.req.valid('json').staircaseId });
  },
);
