import { Hono } from 'hono';
import type { AppEnv } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { valid } from '../../platform/valid.ts';
import { lessonEventsInput } from './input.ts';
import { keepLessonEvents, lessonEvents } from './service.ts';

/** Under `/classes`. */
export const lessonRoutes = new Hono<AppEnv>()
  .get('/:id/lessons', valid('param', idParam), async (c) => {
    return c.json(await lessonEvents(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .post('/:id/lessons', valid('param', idParam), valid('json', lessonEventsInput), async (c) => {
    const { events } = c.req.valid('json');
    await keepLessonEvents(c.var.em, c.var.who, c.req.valid('param').id, { events });
    return c.json({ kept: events.length }, 201);
  });
