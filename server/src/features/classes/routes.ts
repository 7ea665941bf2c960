import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { version } from '../../platform/versions.ts';
import { valid } from '../../platform/valid.ts';
import { findable } from './find.ts';
import { classChange, newClassInput } from './input.ts';
import {
  absenceInput,
  addPupils,
  changePupil,
  erasePupil,
  listPupils,
  movePupil,
  newPupilsInput,
  pupilInput,
  setAbsence,
} from './pupils.ts';
import { addClass, changeClass, classSettings, listStaircases } from './settings.ts';
import { localToday } from './state.ts';
import { classKnowledge, classPage, classRecords, keepClassTune, listClasses, stepPage, tunePage } from './service.ts';

const stepParams = idParam.extend({ position: z.coerce.number().int().min(1).max(1000) });

const afterQuery = z.object({ after: z.coerce.number().int().min(0).default(0) });

const tuneParams = idParam.extend({ tuneId: z.uuid() });
const place = z.object({ barIndex: z.number().int().min(0), eventIndex: z.number().int().min(0) });
const classTuneInput = z.object({
  breathSeconds: z.number('Seconds.').int().min(2, 'At least 2 seconds.').max(20, 'At most 20 seconds.'),
  breaths: z.array(place).max(500, 'At most 500 breaths.').nullable(),
  /** 0 as long as the class has changed nothing. */
  version,
});

export const classRoutes = new Hono<AppEnv>()
  .post('/', valid('json', newClassInput), async (c) => {
    return c.json(await addClass(c.var.em, c.var.who, c.req.valid('json')), 201);
  })
  .get('/:id/pupils', valid('param', idParam), async (c) => {
    return c.json(await listPupils(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .post('/:id/pupils', valid('param', idParam), valid('json', newPupilsInput), async (c) => {
    const { id } = c.req.valid('param');
    return c.json(await addPupils(c.var.em, c.var.who, id, c.req.valid('json').pupils), 201);
  })
  .get('/:id/settings', valid('param', idParam), async (c) => {
    return c.json(await classSettings(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .put('/:id/settings', valid('param', idParam), valid('json', classChange), async (c) => {
    return c.json(await changeClass(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .get('/', async (c) => c.json(await listClasses(c.var.em, c.var.who, c.var.now)))
  .get('/:id', valid('param', idParam), async (c) => {
    return c.json(await classPage(c.var.em, c.var.who, c.req.valid('param').id, c.var.now));
  })
  .get('/:id/steps/:position', valid('param', stepParams), async (c) => {
    const { id, position } = c.req.valid('param');
    return c.json(await stepPage(c.var.em, c.var.who, id, position));
  })
  .get('/:id/records', valid('param', idParam), valid('query', afterQuery), async (c) => {
    const { after } = c.req.valid('query');
    return c.json(await classRecords(c.var.em, c.var.who, c.req.valid('param').id, after));
  })
  .get('/:id/knowledge', valid('param', idParam), async (c) => {
    return c.json(await classKnowledge(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .get('/:id/tunes/:tuneId', valid('param', tuneParams), async (c) => {
    const { id, tuneId } = c.req.valid('param');
    return c.json(await tunePage(c.var.em, c.var.who, id, tuneId));
  })
  .put('/:id/tunes/:tuneId', valid('param', tuneParams), valid('json', classTuneInput), async (c) => {
    const { id, tuneId } = c.req.valid('param');
    return c.json(await keepClassTune(c.var.em, c.var.who, id, tuneId, c.req.valid('json')));
  });

export const pupilRoutes = new Hono<AppEnv>()
  .put('/:id', valid('param', idParam), valid('json', pupilInput), async (c) => {
    await changePupil(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .post(
    '/:id/move',
    valid('param', idParam),
    valid('json', z.object({ classId: z.uuid('Choose a class.') })),
    async (c) => {
      const today = localToday(c.var.now, c.var.who.timeZone);
      await movePupil(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').classId, today);
      return c.json({ ok: true });
    },
  )
  .post('/:id/erase', valid('param', idParam), async (c) => {
    const today = localToday(c.var.now, c.var.who.timeZone);
    await erasePupil(c.var.em, c.var.who, c.req.valid('param').id, c.var.now, today);
    return c.json({ ok: true });
  })
  .put('/:id/absence', valid('param', idParam), valid('json', absenceInput), async (c) => {
    await setAbsence(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  });

export const findRoutes = new Hono<AppEnv>().get('/', async (c) => c.json(await findable(c.var.em, c.var.who)));

export const staircaseRoutes = new Hono<AppEnv>().get('/', async (c) =>
  c.json(await listStaircases(c.var.em, c.var.who)),
);
