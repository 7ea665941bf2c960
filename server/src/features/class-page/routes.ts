import {
  ClassPage,
  ClassTuneInput,
  StepPage,
  TunePage,
  classList,
  classTuneKept,
  classTuneList,
  ClassKnowledge,
  stepParams,
  tuneParams,
} from '@escalier/contract/class-pages';
import { idParam } from '@escalier/contract/fields';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { classKnowledge, classPage, classTunes, keepClassTune, listClasses, stepPage, tunePage } from './service.ts';

export const classPageRoutes = new Hono<AppEnv>()
  .get('/', answers(classList), forRole('assistant'), async (c) =>
    c.json(await listClasses(c.var.em, c.var.who, c.var.now)),
  )
  .get('/:id', answers(ClassPage), forRole('assistant'), valid('param', idParam), async (c) => {
    return c.json(await classPage(c.var.em, c.var.who, c.req.valid('param').id, c.var.now));
  })
  .get('/:id/steps/:position', answers(StepPage), forRole('assistant'), valid('param', stepParams), async (c) => {
    const { id, position } = c.req.valid('param');
    return c.json(await stepPage(c.var.em, c.var.who, id, position));
  })
  .get('/:id/knowledge', answers(ClassKnowledge), forRole('assistant'), valid('param', idParam), async (c) => {
    return c.json(await classKnowledge(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .get('/:id/tunes', answers(classTuneList), valid('param', idParam), async (c) => {
    return c.json(await classTunes(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .get('/:id/tunes/:tuneId', answers(TunePage), forRole('assistant'), valid('param', tuneParams), async (c) => {
    const { id, tuneId } = c.req.valid('param');
    return c.json(await tunePage(c.var.em, c.var.who, id, tuneId));
  })
  .put(
    '/:id/tunes/:tuneId',
    answers(classTuneKept),
    valid('param', tuneParams),
    valid('json', ClassTuneInput),
    async (c) => {
      const { id, tuneId } = c.req.valid('param');
      return c.json(await keepClassTune(c.var.em, c.var.who, id, tuneId, c.req.valid('json')));
    },
  );
