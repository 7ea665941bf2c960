import { Hono } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { z } from 'zod';
import type { AppEnv } from '../../platform/context.ts';
import { valid } from '../../platform/valid.ts';
import { signIn, signOut } from './service.ts';
import { needsSession, SESSION_COOKIE } from './session.ts';

export interface DemoAccount {
  readonly email: string;
  readonly password: string;
}

export interface Me {
  readonly name: string;
  readonly email: string;
  readonly school: string;
}

const credentials = z.object({
  email: z.email('Please give an e-mail address.').max(200),
  password: z.string('Please give a password.').min(1, 'Please give a password.').max(200),
});

/** Signing in needs no session; all else does. */
export function signInRoutes(demo: DemoAccount | null) {
  return new Hono<AppEnv>()
    .get('/', (c) => c.json({ demo }))
    .post('/', valid('json', credentials), async (c) => {
      const { email, password } = c.req.valid('json');
      const session = await signIn(c.var.em, email, password, c.var.now);
      setCookie(c, SESSION_COOKIE, session.token, {
        httpOnly: true,
        sameSite: 'Strict',
        path: '/',
        expires: session.expiresAt,
        secure: new URL(c.req.url).protocol === 'https:',
      });
      return c.json({ ok: true });
    });
}

export const sessionRoutes = new Hono<AppEnv>()
  .use(needsSession)
  .get('/', (c) => {
    const { name, email, schoolName } = c.var.who;
    return c.json({ name, email, school: schoolName } satisfies Me);
  })
  .delete('/', async (c) => {
    const token = getCookie(c, SESSION_COOKIE);
    if (token !== undefined) await signOut(c.var.em, token);
    deleteCookie(c, SESSION_COOKIE, { path: '/' });
    return c.json({ ok: true });
  });
