import { classStaircase, climbs } from '@escalier/contract/classes';
import { idParam } from '@escalier/contract/fields';
import {
  NewStaircase,
  StaircaseChange,
  StaircaseDto,
  staircaseGone,
  staircaseList,
} from '@escalier/contract/staircases';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { listStaircases, oneStaircase } from './read.ts';
import { addStaircase, changeStaircase, climbAnother, deleteStaircase } from './service.ts';

export const staircaseRoutes = new Hono<AppEnv>()
  .get('/', answers(staircaseList), async (c) => c.json(await listStaircases(c.var.em, c.var.who)))
  .post('/', answers(StaircaseDto, 201), valid('json', NewStaircase), async (c) => {
    return c.json(await addStaircase(c.var.em, c.var.who, c.req.valid('json')), 201);
  })
  .get('/:id', answers(StaircaseDto), valid('param', idParam), async (c) => {
    return c.json(await oneStaircase(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .put('/:id', answers(StaircaseDto), valid('param', idParam), valid('json', StaircaseChange), async (c) => {
    return c.json(await changeStaircase(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .delete('/:id', answers(staircaseGone), valid('param', idParam), async (c) => {
    await deleteStaircase(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ deleted: true });
  });

/** Under `/classes`. */
export const classStaircaseRoutes = new Hono<AppEnv>().put(
  '/:id/staircase',
  answers(climbs),
  valid('param', idParam),
  valid('json', classStaircase),
  async (c) => {
    await climbAnother(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ staircaseId: c.req.valid('json').staircaseId });
  },
);
