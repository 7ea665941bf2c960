import { parsePitch } from '@escalier/core/music';
import { Hono } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { classNotes, keepOwnNote, ownNoteInput } from './service.ts';

const noteParam = idParam.extend({
  note: z
    .string()
    .max(6)
    .refine((name) => parsePitch(name) !== null, 'not-note'),
});

/** The notes of a class, by the id of the class. */
export const noteRoutes = new Hono<AppEnv>()
  .get('/:id', forRole('assistant'), valid('param', idParam), async (c) => {
    return c.json(await classNotes(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .put('/:id/:note', valid('param', noteParam), valid('json', ownNoteInput), async (c) => {
    const { id, note } = c.req.valid('param');
    return c.json(await keepOwnNote(c.var.em, c.var.who, id, note, c.req.valid('json')));
  });
