import { idParam } from '@escalier/contract/fields';
import { datedLessonEvents, keptEvents, LessonEventsInput } from '@escalier/contract/lessons';
import { Hono } from 'hono';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { keepLessonEvents, lessonEvents } from './service.ts';

/** Under `/classes`. */
export const lessonRoutes = new Hono<AppEnv>()
  .get('/:id/lessons', answers(datedLessonEvents), valid('param', idParam), async (c) => {
    return c.json(await lessonEvents(c.var.em, c.var.who, c.req.valid('param').id));
  })
  .post(
    '/:id/lessons',
    answers(keptEvents, 201),
    valid('param', idParam),
    valid('json', LessonEventsInput),
    async (c) => {
      const { events } = c.req.valid('json');
      await keepLessonEvents(c.var.em, c.var.who, c.req.valid('param').id, { events });
      return c.json({ kept: events.length }, 201);
    },
  );
