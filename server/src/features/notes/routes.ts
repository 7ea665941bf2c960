import { idParam } from '@escalier/contract/fields';
import { ClassNotes, OwnNote, OwnNoteInput, noteParam } from '@escalier/contract/notes';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { classNotes, keepOwnNote } from './service.ts';

/** The notes of a class, by the id of the class. */
export const noteRoutes = new Hono<AppEnv>()
  .get('/:id', answers(ClassNotes), forRole('assistant'), valid('param', idParam), async (c) => {
    return c.json(await classNotes(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .put('/:id/:note', answers(OwnNote), valid('param', noteParam), valid('json', OwnNoteInput), async (c) => {
    const { id, note } = c.req.valid('param');
    return c.json(await keepOwnNote(c.var.em, c.var.who, id, note, c.req.valid('json')));
  });
