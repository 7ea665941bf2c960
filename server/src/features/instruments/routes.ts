import { done, idParam } from '@escalier/contract/fields';
import {
  BeltList,
  GivenInput,
  InstrumentList,
  InstrumentChange,
  LendInput,
  Lending,
  NewInstruments,
  StockInput,
  beltsOfClasses,
  cleanedInput,
  loanInput,
  takeBackInput,
  takenBack,
} from '@escalier/contract/instruments';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { beltList, keepStock } from './belts.ts';
import { earnedBelts, giveBelts } from './handing-out.ts';
import { instrumentList } from './instrument-list.ts';
import { lend, lendToClass, takeBack, takeBackFromClass } from './lending.ts';
import { addInstruments, changeInstrument, noteCleaned, removeInstrument } from './service.ts';

export const instrumentRoutes = new Hono<AppEnv>()
  .get('/', answers(InstrumentList), async (c) => c.json(await instrumentList(c.var.em, c.var.who, c.var.now)))
  .post('/', answers(done, 201), valid('json', NewInstruments), async (c) => {
    await addInstruments(c.var.em, c.var.who, c.req.valid('json'));
    return c.json({ ok: true }, 201);
  })
  .post('/lend', answers(Lending), valid('json', LendInput), async (c) => {
    return c.json(await lendToClass(c.var.em, c.var.who, c.req.valid('json'), c.var.now));
  })
  .post('/take-back', answers(takenBack), valid('json', takeBackInput), async (c) => {
    return c.json({
      count: await takeBackFromClass(c.var.em, c.var.who, c.req.valid('json').classId, c.var.now),
    });
  })
  .post('/cleaned', answers(done), valid('json', cleanedInput), async (c) => {
    await noteCleaned(c.var.em, c.var.who, c.req.valid('json').ids, c.var.now);
    return c.json({ ok: true });
  })
  .put('/:id', answers(done), valid('param', idParam), valid('json', InstrumentChange), async (c) => {
    await changeInstrument(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .delete('/:id', answers(done), valid('param', idParam), async (c) => {
    await removeInstrument(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ ok: true });
  })
  .post('/:id/loans', answers(done, 201), valid('param', idParam), valid('json', loanInput), async (c) => {
    await lend(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').pupilId, c.var.now);
    return c.json({ ok: true }, 201);
  })
  .delete('/loans/:id', answers(done), valid('param', idParam), async (c) => {
    await takeBack(c.var.em, c.var.who, c.req.valid('param').id, c.var.now);
    return c.json({ ok: true });
  });

export const beltRoutes = new Hono<AppEnv>()
  .get('/', answers(BeltList), async (c) => c.json(await beltList(c.var.em, c.var.who, c.var.now)))
  .get('/earned', answers(beltsOfClasses), async (c) => c.json(await earnedBelts(c.var.em, c.var.who)))
  .put('/given', answers(beltsOfClasses), valid('json', GivenInput), async (c) => {
    await giveBelts(c.var.em, c.var.who, c.req.valid('json'), c.var.now);
    return c.json(await earnedBelts(c.var.em.fork(), c.var.who));
  })
  .put('/', answers(BeltList), valid('json', StockInput), async (c) => {
    await keepStock(c.var.em, c.var.who, c.req.valid('json'));
    return c.json(await beltList(c.var.em.fork(), c.var.who, c.var.now));
  });
