import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { localToday } from '../../platform/today.ts';
import { valid } from '../../platform/valid.ts';
import { eraseInput, erasePupil, pupilTraces } from './erase.ts';
import {
  absenceInput,
  addPupils,
  changePupil,
  listPupils,
  movePupil,
  newPupilsInput,
  pupilInput,
  setAbsence,
} from './service.ts';

/** By the id of their class. */
export const classPupilRoutes = new Hono<AppEnv>()
  .get('/:id/pupils', valid('param', idParam), async (c) => {
    return c.json(await listPupils(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .post('/:id/pupils', valid('param', idParam), valid('json', newPupilsInput), async (c) => {
    const { id } = c.req.valid('param');
    return c.json(await addPupils(c.var.em, c.var.who, id, c.req.valid('json').pupils), 201);
  });

export const pupilRoutes = new Hono<AppEnv>()
  .put('/:id', valid('param', idParam), valid('json', pupilInput), async (c) => {
    await changePupil(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .post('/:id/move', valid('param', idParam), valid('json', z.object({ classId: z.uuid() })), async (c) => {
    const today = localToday(c.var.now, c.var.who.timeZone);
    await movePupil(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').classId, today);
    return c.json({ ok: true });
  })
  .get('/:id/traces', forRole('owner'), valid('param', idParam), async (c) => {
    return c.json(await pupilTraces(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .post('/:id/erase', forRole('owner'), valid('param', idParam), valid('json', eraseInput), async (c) => {
    const { em, now, who } = c.var;
    const today = localToday(now, who.timeZone);
    await erasePupil(em, who, c.req.valid('param').id, c.req.valid('json').clean, { now, today });
    return c.json({ ok: true });
  })
  .put('/:id/absence', forRole('assistant'), valid('param', idParam), valid('json', absenceInput), async (c) => {
    await setAbsence(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  });
