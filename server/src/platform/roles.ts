import { ROLES, type Role } from '@escalier/contract/people';
import type { Context, MiddlewareHandler } from 'hono';
import { matchedRoutes } from 'hono/route';
import { type AppEnv } from './context.ts';

const declared = new WeakMap<object, Role>();

/**
 * Says at a route, or for a whole room, whom it is for: that role and those above it. A route that says nothing is for
 * teachers.
 */
export function forRole(role: Role): MiddlewareHandler<AppEnv> {
  const says: MiddlewareHandler<AppEnv> = (_, next) => next();
  declared.set(says, role);
  return says;
}

/** Whom the route of a request is for: what stands nearest to it counts. */
export function roleOfRoute(c: Context): Role {
  const said = matchedRoutes(c).flatMap(({ handler }) => declared.get(handler) ?? []);
  return said.at(-1) ?? 'teacher';
}

/** Owners may all that teachers may, and these all that assistants may. */
export function mayUse(role: Role, wanted: Role): boolean {
  return ROLES.indexOf(role) <= ROLES.indexOf(wanted);
}
