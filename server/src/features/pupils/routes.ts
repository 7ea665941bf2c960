import { done, idParam } from '@escalier/contract/fields';
import {
  PupilInput,
  AbsenceInput,
  eraseInput,
  moveInput,
  newPupils,
  pupilList,
  traceList,
} from '@escalier/contract/pupils';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { localToday } from '../../platform/today.ts';
import { valid } from '../../platform/valid.ts';
import { erasePupil, pupilTraces } from './erase.ts';
import { addPupils, changePupil, listPupils, movePupil, setAbsence } from './service.ts';

/** By the id of their class. */
export const classPupilRoutes = new Hono<AppEnv>()
  .get('/:id/pupils', answers(pupilList), valid('param', idParam), async (c) => {
    return c.json(await listPupils(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .post('/:id/pupils', answers(pupilList, 201), valid('param', idParam), valid('json', newPupils), async (c) => {
    const { id } = c.req.valid('param');
    return c.json(await addPupils(c.var.em, c.var.who, id, c.req.valid('json').pupils), 201);
  });

export const pupilRoutes = new Hono<AppEnv>()
  .put('/:id', answers(done), valid('param', idParam), valid('json', PupilInput), async (c) => {
    await changePupil(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .post('/:id/move', answers(done), valid('param', idParam), valid('json', moveInput), async (c) => {
    const today = localToday(c.var.now, c.var.who.timeZone);
    await movePupil(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').classId, today);
    return c.json({ ok: true });
  })
  .get('/:id/traces', answers(traceList), forRole('owner'), valid('param', idParam), async (c) => {
    return c.json(await pupilTraces(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .post(
    '/:id/erase',
    answers(done),
    forRole('owner'),
    valid('param', idParam),
    valid('json', eraseInput),
    async (c) => {
      const { em, now, who } = c.var;
      const today = localToday(now, who.timeZone);
      await erasePupil(em, who, c.req.valid('param').id, c.req.valid('json').clean, { now, today });
      return c.json({ ok: true });
    },
  )
  .put(
    '/:id/absence',
    answers(done),
    forRole('assistant'),
    valid('param', idParam),
    valid('json', AbsenceInput),
    async (c) => {
      await setAbsence(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
      return c.json({ ok: true });
    },
  );
