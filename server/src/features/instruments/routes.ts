import { CONDITIONS, INSTRUMENT_IDS, OWNERS } from '@escalier/core/instruments';
import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { text } from '../../platform/fields.ts';
import { idParam } from '../../platform/ids.ts';
import { version } from '../../platform/versions.ts';
import { valid } from '../../platform/valid.ts';
import { beltList, keepStock, stockInput } from './belts.ts';
import { earnedBelts, giveBelts, givenInput } from './handing-out.ts';
import { instrumentList } from './instrument-list.ts';
import { lend, lendToClass, takeBack, takeBackFromClass } from './lending.ts';
import { addInstruments, changeInstrument, noteCleaned, removeInstrument } from './service.ts';

const number = z.int().min(1).max(9999);
const owner = z.enum(OWNERS);
const newInput = z.object({
  kind: z.enum(INSTRUMENT_IDS),
  from: number,
  count: z.int().min(1).max(100),
  owner,
});
const changeInput = z.object({
  number,
  owner,
  condition: z.enum(CONDITIONS),
  note: text().trim().max(200),
  version,
});
const classInput = z.object({ classId: z.uuid() });
const ids = z.array(z.uuid()).min(1).max(1000);

export const instrumentRoutes = new Hono<AppEnv>()
  .get('/', async (c) => c.json(await instrumentList(c.var.em, c.var.who, c.var.now)))
  .post('/', valid('json', newInput), async (c) => {
    await addInstruments(c.var.em, c.var.who, c.req.valid('json'));
    return c.json({ ok: true }, 201);
  })
  .post('/lend', valid('json', classInput.extend({ share: z.boolean(), dryRun: z.boolean() })), async (c) => {
    return c.json(await lendToClass(c.var.em, c.var.who, c.req.valid('json'), c.var.now));
  })
  .post('/take-back', valid('json', classInput), async (c) => {
    return c.json({
      count: await takeBackFromClass(c.var.em, c.var.who, c.req.valid('json').classId, c.var.now),
    });
  })
  .post('/cleaned', valid('json', z.object({ ids })), async (c) => {
    await noteCleaned(c.var.em, c.var.who, c.req.valid('json').ids, c.var.now);
    return c.json({ ok: true });
  })
  .put('/:id', valid('param', idParam), valid('json', changeInput), async (c) => {
    await changeInstrument(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .delete('/:id', valid('param', idParam), async (c) => {
    await removeInstrument(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ ok: true });
  })
  .post('/:id/loans', valid('param', idParam), valid('json', z.object({ pupilId: z.uuid() })), async (c) => {
    await lend(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').pupilId, c.var.now);
    return c.json({ ok: true }, 201);
  })
  .delete('/loans/:id', valid('param', idParam), async (c) => {
    await takeBack(c.var.em, c.var.who, c.req.valid('param').id, c.var.now);
    return c.json({ ok: true });
  });

export const beltRoutes = new Hono<AppEnv>()
  .get('/', async (c) => c.json(await beltList(c.var.em, c.var.who, c.var.now)))
  .get('/earned', async (c) => c.json(await earnedBelts(c.var.em, c.var.who)))
  .put('/given', valid('json', givenInput), async (c) => {
    await giveBelts(c.var.em, c.var.who, c.req.valid('json'), c.var.now);
    return c.json(await earnedBelts(c.var.em.fork(), c.var.who));
  })
  .put('/', valid('json', stockInput), async (c) => {
    await keepStock(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await beltList(c.var.em.fork(), c.var.who, c.var.now));
  });
