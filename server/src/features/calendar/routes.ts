import { MOST_CALENDAR_CHARACTERS } from '@escalier/core/calendar';
import { Hono, type Context } from 'hono';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { linkToken } from '../../platform/fields.ts';
import { idParam } from '../../platform/ids.ts';
import { valid } from '../../platform/valid.ts';
import { classOf } from '../classes/index.ts';
import { termChange, termInput } from './input.ts';
import { addTerm, changeTerm, classCalendar, lessonsFile, listTerms, previewHolidays, switchLink } from './service.ts';

const tokenParam = z.object({ token: linkToken });
const icsInput = z.object({ ics: z.string().min(1, 'Choose a file.').max(MOST_CALENDAR_CHARACTERS, 'At most 2 MB.') });

function asFile(c: Context<AppEnv>, { name, text }: { readonly name: string; readonly text: string }): Response {
  c.header('Content-Type', 'text/calendar; charset=utf-8');
  c.header('Content-Disposition', `attachment; filename*=UTF-8''${encodeURIComponent(`Lessons of ${name}`)}.ics`);
  return c.body(text);
}

export const termRoutes = new Hono<AppEnv>()
  .get('/', async (c) => c.json(await listTerms(c.var.em, c.var.who)))
  .post('/', valid('json', termInput), async (c) =>
    c.json(await addTerm(c.var.em, c.var.who, c.req.valid('json')), 201),
  )
  .put('/:id', valid('param', idParam), valid('json', termChange), async (c) => {
    return c.json(await changeTerm(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json')));
  })
  .post('/:id/holidays', valid('param', idParam), valid('json', icsInput), async (c) => {
    return c.json(await previewHolidays(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').ics));
  });

/** The calendar of a class, by the id of the class. */
export const calendarRoutes = new Hono<AppEnv>()
  .get('/:id', valid('param', idParam), async (c) => {
    return c.json(await classCalendar(c.var.em, c.var.who, c.req.valid('param').id, c.var.now));
  })
  .put('/:id/link', valid('param', idParam), valid('json', z.object({ on: z.boolean() })), async (c) => {
    const token = await switchLink(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('json').on);
    return c.json({ token });
  })
  .get('/:id/lessons.ics', valid('param', idParam), async (c) => {
    const { id, school: schoolId } = await classOf(c.var.em, c.var.who, c.req.valid('param').id);
    const which = { id, schoolId };
    return asFile(c, await lessonsFile(c.var.em, which, c.var.now));
  });

/** Subscribed calendars: the secret in the address opens one class's lessons and nothing else. */
export const subscribedRoutes = new Hono<AppEnv>().get('/:token', valid('param', tokenParam), async (c) => {
  return asFile(c, await lessonsFile(c.var.em, { token: c.req.valid('param').token }, c.var.now));
});
