import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { createMiddleware } from 'hono/factory';
import { csrf } from 'hono/csrf';
import { HTTPException } from 'hono/http-exception';
import { secureHeaders } from 'hono/secure-headers';
import { pinoLogger } from 'hono-pino';
import { pino, type Logger } from 'pino';
import { archiveRoutes } from './features/archive/index.ts';
import { calendarRoutes, subscribedRoutes, termRoutes } from './features/calendar/index.ts';
import { classRoutes, pupilRoutes, staircaseRoutes } from './features/classes/index.ts';
import { hearingRoutes, type LiveRecords } from './features/hearing/index.ts';
import { beltRoutes, instrumentRoutes } from './features/instruments/index.ts';
import { noteRoutes } from './features/notes/index.ts';
import { firstRunRoutes, invitationRoutes, peopleRoutes, type Stock } from './features/people/index.ts';
import {
  accountRoutes,
  changeRoutes,
  needsSession,
  schoolRoutes,
  sessionRoutes,
  signInRoutes,
  whoHave,
  type DemoAccount,
  type Knock,
} from './features/schools/index.ts';
import { tuneRoutes } from './features/tunes/index.ts';
import { batched } from './platform/batched.ts';
import type { AppEnv } from './platform/context.ts';
import type { Orm } from './platform/database.ts';
import { notFound, Problem, type ErrorBody } from './platform/problem.ts';
import { webFiles } from './platform/static-files.ts';

const MEGABYTE = 1024 * 1024;
const MOST_MEGABYTES = { archive: 64, other: 1 } as const;

export interface AppOptions {
  readonly orm: Orm;
  /** Offered on the sign-in page; null outside the demo. */
  readonly demo: DemoAccount | null;
  readonly webFolder: string | null;
  /** What a new school begins with. */
  readonly stock: Stock;
  readonly live: LiveRecords;
  readonly logger?: Logger;
  readonly clock?: () => Date;
}

/** The chained routes carry the type of the whole API for the typed client. */
function apiRoutes(options: AppOptions) {
  return new Hono<AppEnv>()
    .route('/sign-in', signInRoutes(options.demo))
    .route('/session', sessionRoutes)
    .route('/calendars', subscribedRoutes)
    .route('/first-run', firstRunRoutes(options.stock))
    .route('/invitations', invitationRoutes)
    .use('*', needsSession)
    .route('/account', accountRoutes)
    .route('/archive', archiveRoutes)
    .route('/belts', beltRoutes)
    .route('/instruments', instrumentRoutes)
    .route('/calendar', calendarRoutes)
    .route('/changes', changeRoutes)
    .route('/people', peopleRoutes)
    .route('/terms', termRoutes)
    .route('/staircases', staircaseRoutes)
    .route('/pupils', pupilRoutes)
    .route('/classes', classRoutes)
    .route('/hearing', hearingRoutes(options.orm, options.live))
    .route('/notes', noteRoutes)
    .route('/school', schoolRoutes)
    .route('/tunes', tuneRoutes)
    .all('*', () => {
      throw notFound('address');
    });
}

export type Api = ReturnType<typeof apiRoutes>;

export function createApp(options: AppOptions) {
  const { orm, logger = pino({ level: 'silent' }), clock = () => new Date() } = options;
  const session = batched((knocks: readonly Knock[]) => whoHave(orm.em.fork(), knocks));
  const app = new Hono<AppEnv>();
  if (logger.isLevelEnabled('info')) app.use(pinoLogger({ pino: logger }));
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        // Tone.js makes the worker that keeps its time from a blob.
        workerSrc: ["'self'", 'blob:'],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        frameAncestors: ["'none'"],
      },
    }),
  );
  app.use('/api/archive', limited(MOST_MEGABYTES.archive));
  app.use('/api/*', async (c, next) =>
    c.req.path === '/api/archive' ? next() : limited(MOST_MEGABYTES.other)(c, next),
  );
  app.use('/api/*', csrf());
  app.use('/api/*', async (c, next) => {
    c.set('em', orm.em.fork());
    c.set('session', session);
    c.set('now', clock());
    c.header('Cache-Control', 'no-store');
    await next();
  });
  app.get('/api/health', async (c) => {
    await c.var.em.execute('select 1');
    return c.json({ ok: true });
  });
  app.route('/api', apiRoutes(options));
  if (options.webFolder !== null) app.route('/', webFiles(options.webFolder));
  app.notFound((c) => c.json(notFound('address').body, 404));
  app.onError((error, c) => {
    if (error instanceof Problem) return c.json(error.body, error.status);
    if (error instanceof HTTPException) return c.json(fromHttp(error), error.status);
    logger.error(error);
    return c.json(
      { error: { code: 'broken', message: 'Something broke here. Nothing was stored.' } } satisfies ErrorBody,
      500,
    );
  });
  return app;
}

/** A body that says how long it is needs no counting: Node.js reads no further than that. */
function limited(megabytes: number) {
  const maxSize = megabytes * MEGABYTE;
  const tooLarge = (): never => {
    throw new Problem(413, 'too-large', `This is too much at once: at most ${megabytes} MB.`);
  };
  const counted = bodyLimit({ maxSize, onError: tooLarge });
  return createMiddleware<AppEnv>(async (c, next) => {
    const length = c.req.header('content-length');
    if (length === undefined || c.req.header('transfer-encoding') !== undefined) return counted(c, next);
    return Number(length) > maxSize ? tooLarge() : next();
  });
}

/** Broken JSON and refused origins come from Hono itself. */
function fromHttp(error: HTTPException): ErrorBody {
  const message = error.status === 403 ? 'This request comes from another site.' : 'This request cannot be read.';
  return { error: { code: error.status === 403 ? 'wrong-origin' : 'unreadable', message } };
}
