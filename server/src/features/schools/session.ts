import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { createMiddleware } from 'hono/factory';
import type { AppEnv, Role } from '../../platform/context.ts';
import { Problem } from '../../platform/problem.ts';
import { mayAsk } from './roles.ts';
import type { Device, NewSession } from './service.ts';

export const SESSION_COOKIE = 'escalier_session';

/** Lets only signed-in people pass, to what their role may do, and says who they are. */
export const needsSession = createMiddleware<AppEnv>(async (c, next) => {
  const token = getCookie(c, SESSION_COOKIE);
  const who = token === undefined ? null : await c.var.session({ token, now: c.var.now });
  if (who === null) throw new Problem(401, 'signed-out', 'Please sign in first.');
  if (!mayAsk(who.role, c.req.method, c.req.path)) throw new Problem(403, 'not-your-role', ROLE_SENTENCES[who.role]);
  c.set('who', who);
  await next();
});

const ROLE_SENTENCES: Record<Role, string> = {
  owner: 'This cannot be done.',
  teacher: 'Only an owner of the school’s Escalier can do this.',
  assistant: 'Your account is for hearing pupils; a teacher can do this.',
};

export function keepCookie(c: Context<AppEnv>, session: NewSession): void {
  setCookie(c, SESSION_COOKIE, session.token, {
    httpOnly: true,
    sameSite: 'Strict',
    path: '/',
    expires: session.expiresAt,
    secure: new URL(c.req.url).protocol === 'https:',
  });
}

export function deviceOf(c: Context<AppEnv>): Device {
  return { address: addressOf(c), name: c.req.header('user-agent') ?? '' };
}

/** Empty where there is no network between, as in a test. */
function addressOf(c: Context<AppEnv>): string {
  const incoming = (c.env as { readonly incoming?: unknown } | undefined)?.incoming;
  return incoming === undefined ? '' : (getConnInfo(c).remote.address ?? '');
}
