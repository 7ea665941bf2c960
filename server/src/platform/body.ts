import { bodyLimit } from 'hono/body-limit';
import { createMiddleware } from 'hono/factory';
import { matchedRoutes } from 'hono/route';
import { findTargetHandler } from 'hono/utils/handler';
import type { AppEnv } from './context.ts';
import { Problem } from './problem.ts';
import { t } from './messages.ts';

const KILOBYTE = 1024;

/** Bytes of a body, by who may send it and what it is. */
export const BODY = {
  /** Sign-in, links, first run: for strangers. */
  open: 8 * KILOBYTE,
  usual: 1024 * KILOBYTE,
  /** A tune's text and a calendar file, with what JSON adds to them. */
  text: 4 * 1024 * KILOBYTE,
  /** A recording. */
  sound: 3 * 1024 * KILOBYTE,
} as const;

/** Marks what limits a body, so that a route with a limit of its own does not get the usual one too. */
const OWN_LIMIT = Symbol('own limit');

/**
 * Refuses larger bodies, after it is known who sends them: nothing is read for a stranger. A body that says how long it
 * is needs no counting, as Node.js reads no further than that.
 */
export function atMost(bytes: number) {
  const tooLarge = (): never => {
    const size = bytes < 1024 * KILOBYTE ? `${bytes / KILOBYTE} kB` : `${bytes / KILOBYTE / KILOBYTE} MB`;
    throw new Problem(413, 'too-large', t('body.this-is-too-much-at-once', { size }));
  };
  const counted = bodyLimit({ maxSize: bytes, onError: tooLarge });
  const limited = createMiddleware<AppEnv>(async (c, next) => {
    const length = c.req.header('content-length');
    if (length === undefined || c.req.header('transfer-encoding') !== undefined) return counted(c, next);
    return Number(length) > bytes ? tooLarge() : next();
  });
  return Object.assign(limited, { [OWN_LIMIT]: true });
}

/** For a route that counts the bytes itself while they come in. */
export const countsItself = Object.assign(
  createMiddleware<AppEnv>((_c, next) => next()),
  { [OWN_LIMIT]: true },
);

const usual = atMost(BODY.usual);

/** Before all routes: the usual limit, but for those that name their own. */
export const atMostUsual = createMiddleware<AppEnv>((c, next) => {
  const own = matchedRoutes(c).some(({ handler }) => OWN_LIMIT in findTargetHandler(handler));
  return own ? next() : usual(c, next);
});
