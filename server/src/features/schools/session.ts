import { getCookie } from 'hono/cookie';
import { createMiddleware } from 'hono/factory';
import type { AppEnv } from '../../platform/context.ts';
import { Problem } from '../../platform/problem.ts';
import { whoHas } from './service.ts';

export const SESSION_COOKIE = 'escalier_session';

/** Lets only signed-in people pass, and says who they are. */
export const needsSession = createMiddleware<AppEnv>(async (c, next) => {
  const token = getCookie(c, SESSION_COOKIE);
  const who = token === undefined ? null : await whoHas(c.var.em, token, c.var.now);
  if (who === null) throw new Problem(401, 'signed-out', 'Please sign in first.');
  c.set('who', who);
  await next();
});
