import { idParam } from '@escalier/contract/fields';
import { ClassCalendar, LostInput, calendarLink, isLost, linkSwitch, tokenParam } from '@escalier/contract/terms';
import { Hono, type Context } from 'hono';
import { answers, answersFile } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { classOf } from '../classes/index.ts';
import { classCalendar, lessonsFile, loseLesson, switchLink } from './service.ts';
import { t } from '../../platform/messages.ts';

function asFile(c: Context<AppEnv>, { name, text }: { readonly name: string; readonly text: string }): Response {
  c.header('Content-Type', 'text/calendar; charset=utf-8');
  c.header(
    'Content-Disposition',
    `attachment; filename*=UTF-8''${encodeURIComponent(t('routes.lessons-of-name', { name }))}.ics`,
  );
  return c.body(text);
}

/** The calendar of a class, by the id of the class. */
export const calendarRoutes = new Hono<AppEnv>()
  .get('/:id', answers(ClassCalendar), valid('param', idParam), async (c) => {
    return c.json(await classCalendar(c.var.em, c.var.who, c.req.valid('param').id, c.var.now));
  })
  .put('/:id/link', answers(calendarLink), valid('param', idParam), valid('json', linkSwitch), async (c) => {
    const token = await switchLink(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').on);
    return c.json({ token });
  })
  .put('/:id/lost', answers(isLost), valid('param', idParam), valid('json', LostInput), async (c) => {
    await loseLesson(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json'));
    return c.json({ isLost: c.req.valid('json').isLost });
  })
  .get('/:id/lessons.ics', answersFile('text/calendar'), valid('param', idParam), async (c) => {
    const { id, school: schoolId } = await classOf(c.var.em, c.var.who, c.req.valid('param').id);
    const which = { id, schoolId };
    return asFile(c, await lessonsFile(c.var.em, which, c.var.now));
  });

/** Subscribed calendars: the secret in the address opens one class's lessons and nothing else. */
export const subscribedRoutes = new Hono<AppEnv>().get(
  '/:token',
  answersFile('text/calendar'),
  valid('param', tokenParam),
  async (c) => {
    return asFile(c, await lessonsFile(c.var.em, { token: c.req.valid('param').token }, c.var.now));
  },
);
