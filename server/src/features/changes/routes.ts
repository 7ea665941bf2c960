import { changeList, changesQuery } from '@escalier/contract/changes';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { listChanges } from './changes.ts';

export const changeRoutes = new Hono<AppEnv>().get(
  '/',
  answers(changeList),
  forRole('owner'),
  valid('query', changesQuery),
  async (c) => c.json(await listChanges(c.var.em, c.var.who, c.req.valid('query').before ?? null)),
);
