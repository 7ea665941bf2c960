import { idParam } from '@escalier/contract/fields';
import { TuneChange, TuneDto, newTune, tuneList } from '@escalier/contract/tunes';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import { atMost, BODY } from '../../platform/body.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { addTune, changeTune, listTunes, oneTune, restoreTune } from './service.ts';

export const tuneRoutes = new Hono<AppEnv>()
  .get('/', answers(tuneList), forRole('assistant'), async (c) => c.json(await listTunes(c.var.em, c.var.who)))
  .post('/', answers(TuneDto, 201), atMost(BODY.text), valid('json', newTune), async (c) => {
    return c.json(await addTune(c.var.em, c.var.who, c.req.valid('json').abc), 201);
  })
  .get('/:id', answers(TuneDto), forRole('assistant'), valid('param', idParam), async (c) =>
    c.json(await oneTune(c.var.em, c.var.who, c.req.valid('param').id)),
  )
  .put('/:id', answers(TuneDto), valid('param', idParam), atMost(BODY.text), valid('json', TuneChange), async (c) => {
    return c.json(await changeTune(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .post('/:id/restore', answers(TuneDto), valid('param', idParam), async (c) =>
    c.json(await restoreTune(c.var.em, c.var.who, c.req.valid('param').id)),
  );
