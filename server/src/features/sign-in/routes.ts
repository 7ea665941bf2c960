import type { NoteColours } from '@escalier/core/practice';
import { Hono } from 'hono';
import { deleteCookie, getCookie } from 'hono/cookie';
import { z } from 'zod';
import type { AppEnv, Role } from '../../platform/context.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { SchoolEntity } from '../schools/index.ts';
import { newPassword, password } from './passwords.ts';
import { changePassword, endSession, listSessions, signIn, signOut } from './service.ts';
import { deviceOf, keepCookies, needsSession, SESSION_COOKIE } from './session.ts';

export interface DemoAccount {
  readonly email: string;
  readonly password: string;
}

export interface Me {
  readonly name: string;
  readonly email: string;
  readonly school: string;
  readonly role: Role;
  /** IANA name. */
  readonly timeZone: string;
  /** Of the school's name and clock. */
  readonly schoolVersion: number;
  /** Of note heads; null for the usual ones. */
  readonly noteColours: NoteColours | null;
  /** When the session runs out, ISO 8601 in UTC. */
  readonly until: string;
}

const credentials = z.object({
  email: z.email().max(200),
  password,
});

/** Signing in needs no session; all else does. */
export function signInRoutes(demo: DemoAccount | null) {
  return new Hono<AppEnv>()
    .get('/', async (c) => c.json({ demo, firstRun: (await c.var.em.count(SchoolEntity)) === 0 }))
    .post('/', valid('json', credentials), async (c) => {
      keepCookies(c, await signIn(c.var.em, c.var.limits, c.req.valid('json'), deviceOf(c), c.var.now));
      return c.json({ ok: true });
    });
}

export const sessionRoutes = new Hono<AppEnv>()
  .use(needsSession)
  .use(forRole('assistant'))
  .get('/', (c) => {
    const { name, email, schoolName, role, timeZone, schoolVersion, noteColours, until } = c.var.who;
    return c.json({
      name,
      email,
      school: schoolName,
      role,
      timeZone,
      schoolVersion,
      noteColours,
      until: until.toISOString(),
    } satisfies Me);
  })
  /** 256 bits in base64url: seals on a device what it has not sent yet. Apart, so that it lies in no cache. */
  .get('/seal', (c) => c.json({ key: c.var.who.sealKey }))
  .delete('/', async (c) => {
    const token = getCookie(c, SESSION_COOKIE);
    if (token !== undefined) await signOut(c.var.em, token);
    deleteCookie(c, SESSION_COOKIE, { path: '/' });
    return c.json({ ok: true });
  });

const passwordInput = z.object({
  current: z.string().min(1).max(200),
  next: newPassword,
});

export const accountRoutes = new Hono<AppEnv>()
  .use(forRole('assistant'))
  .get('/sessions', async (c) => c.json(await listSessions(c.var.em, c.var.who, c.var.now)))
  .delete('/sessions/:id', valid('param', idParam), async (c) => {
    await endSession(c.var.em, c.var.who, c.req.valid('param').id);
    return c.json({ ok: true });
  })
  .put('/password', valid('json', passwordInput), async (c) => {
    await changePassword(c.var.em, c.var.limits, c.var.who, c.req.valid('json'), deviceOf(c).address);
    return c.json({ ok: true });
  });
