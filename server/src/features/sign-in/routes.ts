import { done, idParam } from '@escalier/contract/fields';
import {
  credentials,
  Me,
  passwordChange,
  sealSecret,
  sessionList,
  signInPage,
  type DemoAccount,
} from '@escalier/contract/people';
import { Hono } from 'hono';
import { deleteCookie, getCookie } from 'hono/cookie';
import { answers } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { SchoolEntity } from '../schools/index.ts';
import { changePassword, endSession, listSessions, signIn, signOut } from './service.ts';
import { deviceOf, keepCookies, needsSession, SESSION_COOKIE } from './session.ts';

/** Signing in needs no session; all else does. */
export function signInRoutes(demo: DemoAccount | null) {
  return new Hono<AppEnv>()
    .get('/', answers(signInPage), async (c) => c.json({ demo, firstRun: (await c.var.em.count(SchoolEntity)) === 0 }))
    .post('/', answers(done), valid('json', credentials), async (c) => {
      keepCookies(c, await signIn(c.var.em, c.var.limits, c.req.valid('json'), deviceOf(c), c.var.now));
      return c.json({ ok: true });
    });
}

export const sessionRoutes = new Hono<AppEnv>()
  .use(needsSession)
  .use(forRole('assistant'))
  .get('/', answers(Me), (c) => {
    const { name, email, schoolName, role, timeZone, english, schoolVersion, noteColours, until } = c.var.who;
    return c.json({
      name,
      email,
      school: schoolName,
      role,
      timeZone,
      english,
      schoolVersion,
      noteColours,
      until: until.toISOString(),
    } satisfies Me);
  })
  /** 256 bits in base64url: seals on a device what it has not sent yet. Apart, so that it lies in no cache. */
  .get('/seal', answers(sealSecret), (c) => c.json({ key: c.var.who.sealKey }))
  .delete('/', answers(done), async (c) => {
    const token = getCookie(c, SESSION_COOKIE);
    if (token !== undefined) await signOut(c.var.em, token);
    deleteCookie(c, SESSION_COOKIE, { path: '/' });
    return c.json({ ok: true });
  });

export const accountRoutes = new Hono<AppEnv>()
  .use(forRole('assistant'))
  .get('/sessions', answers(sessionList), async (c) => c.json(await listSessions(c.var.em, c.var.who, c.var.now)))
  .delete('/sessions/:id', answers(done), valid('param', idParam), async (c) => {
    await endSession(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ ok: true });
  })
  .put('/password', answers(done), valid('json', passwordChange), async (c) => {
    await changePassword(c.var.em, c.var.limits, c.var.who, c.req.valid('json'), deviceOf(c).address);
    return c.json({ ok: true });
  });
