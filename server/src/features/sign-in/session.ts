import type { Role } from '@escalier/contract/people';
import type { Context } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { createMiddleware } from 'hono/factory';
import { admitted } from '../../hasher/index.ts';
import type { AppEnv } from '../../platform/context.ts';
import { Problem } from '../../platform/problem.ts';
import { mayUse, roleOfRoute } from '../../platform/roles.ts';
import { DEVICE_DAYS } from './devices.ts';
import type { Device, NewSession } from './service.ts';
import { t } from '../../platform/messages.ts';

const DEVICE_COOKIE = 'escalier_device';

/** Before all else of a request: how many strangers try to sign in at one moment. Who brings a device's cookie is looked up. */
export const signInDoor = createMiddleware<AppEnv>((c, next) =>
  c.req.method === 'POST' && getCookie(c, DEVICE_COOKIE) === undefined ? admitted('strangers', next) : next(),
);

export const SESSION_COOKIE = 'escalier_session';

/** Lets only signed-in people pass, to what their role may do, and says who they are. */
export const needsSession = createMiddleware<AppEnv>(async (c, next) => {
  const token = getCookie(c, SESSION_COOKIE);
  const user = token === undefined ? null : await c.var.session({ token, now: c.var.now });
  if (user === null) throw new Problem(401, 'signed-out', t('session.please-sign-in-first'));
  if (!mayUse(user.role, roleOfRoute(c))) throw new Problem(403, 'not-your-role', ROLE_SENTENCES[user.role]);
  c.set('who', user);
  await next();
});

const ROLE_SENTENCES: Record<Role, string> = {
  owner: t('session.this-cant-be-done'),
  teacher: t('session.only-an-owner-of-the-schools'),
  assistant: t('session.your-account-is-for-hearing-pupils'),
};

export function keepCookies(c: Context<AppEnv>, session: NewSession): void {
  const common = { httpOnly: true, sameSite: 'Strict', path: '/', secure: isSecure(c) } as const;
  setCookie(c, SESSION_COOKIE, session.token, { ...common, expires: session.expiresAt });
  // What a browser keeps at most.
  setCookie(c, DEVICE_COOKIE, session.deviceToken, { ...common, maxAge: DEVICE_DAYS * 86_400 });
}

/** Behind a proxy that speaks TLS the request itself does not tell. */
function isSecure(c: Context<AppEnv>): boolean {
  return c.var.network.originOf(c).startsWith('https:');
}

export function deviceOf(c: Context<AppEnv>): Device {
  return {
    address: c.var.network.addressOf(c),
    name: c.req.header('user-agent') ?? '',
    token: getCookie(c, DEVICE_COOKIE),
  };
}
