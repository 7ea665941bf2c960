import { FAULT_IDS, OUTCOMES } from '@escalier/core/records';
import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { record } from './service.ts';

const eventBase = {
  id: z.uuidv7('An id made by the client, UUID version 7.'),
  heardAt: z.iso.datetime('A time such as 2026-01-31T09:30:00Z.').transform((text) => new Date(text)),
};

const eventInput = z.discriminatedUnion('kind', [
  z.object({
    ...eventBase,
    kind: z.literal('heard'),
    pupilId: z.uuid('The id of a pupil.'),
    stepId: z.uuid('The id of a step.'),
    outcome: z.enum(OUTCOMES, 'One of: passed, nearly, not-yet.'),
    remarks: z
      .array(z.enum(FAULT_IDS, 'A known fault.'))
      .max(FAULT_IDS.length, 'Each fault once.')
      .refine((remarks) => new Set(remarks).size === remarks.length, 'Each fault once.'),
  }),
  z.object({ ...eventBase, kind: z.literal('undone'), undoes: z.uuid('The id of a record.') }),
]);

export const hearingRoutes = new Hono<AppEnv>().post('/events', valid('json', eventInput), async (c) => {
  const recorded = await record(c.var.em, c.var.who, c.req.valid('json'), c.var.now);
  return c.json(recorded, recorded.stored ? 201 : 200);
});
