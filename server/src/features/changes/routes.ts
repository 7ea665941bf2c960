import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { listChanges } from './changes.ts';

export const changeRoutes = new Hono<AppEnv>().get(
  '/',
  forRole('owner'),
  valid('query', z.object({ before: z.uuid().optional() })),
  async (c) => c.json(await listChanges(c.var.em, c.var.who, c.req.valid('query').before ?? null)),
);
