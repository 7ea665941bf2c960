import { TermChange, TermDto, TermInput } from '@escalier/contract/terms';
import { idParam } from '@escalier/contract/fields';
import { icsInput, readHolidays, termList } from '@escalier/contract/terms';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import { atMost, BODY } from '../../platform/body.ts';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { addTerm, changeTerm, listTerms, previewHolidays } from './service.ts';

export const termRoutes = new Hono<AppEnv>()
  .get('/', answers(termList), async (c) => c.json(await listTerms(c.var.em, c.var.who)))
  .post('/', answers(TermDto, 201), valid('json', TermInput), async (c) =>
    c.json(await addTerm(c.var.em, c.var.who, c.req.valid('json')), 201),
  )
  .put('/:id', answers(TermDto), valid('param', idParam), valid('json', TermChange), async (c) => {
    return c.json(await changeTerm(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .post(
    '/:id/holidays',
    answers(readHolidays),
    valid('param', idParam),
    atMost(BODY.text),
    valid('json', icsInput),
    async (c) => {
      return c.json(await previewHolidays(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').ics));
    },
  );
