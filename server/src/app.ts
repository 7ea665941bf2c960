import type { DemoAccount } from '@escalier/contract/people';
import type { Refusal } from '@escalier/contract/refusals';
import { Hono } from 'hono';
import { compress } from 'hono/compress';
import { createMiddleware } from 'hono/factory';
import { HTTPException } from 'hono/http-exception';
import { routePath } from 'hono/route';
import { secureHeaders } from 'hono/secure-headers';
import { pino, type Logger } from 'pino';
import { archiveRoutes } from './features/archive/index.ts';
import { calendarRoutes, subscribedRoutes } from './features/calendar/index.ts';
import { changeRoutes } from './features/changes/index.ts';
import { classRoutes, findRoutes } from './features/classes/index.ts';
import { classStaircaseRoutes, staircaseRoutes } from './features/planning/index.ts';
import { hearingRoutes, liveStreams, recordRoutes, type LiveRecords } from './features/hearing/index.ts';
import { classRoomRoutes, roomRoutes, schoolRoomRoutes, wordsDoor } from './features/home/index.ts';
import { beltRoutes, instrumentRoutes } from './features/instruments/index.ts';
import { lessonRoutes } from './features/lesson/index.ts';
import { noteRoutes } from './features/notes/index.ts';
import { firstRunRoutes, invitationRoutes, peopleRoutes, type FillSchool } from './features/people/index.ts';
import { classPageRoutes } from './features/class-page/index.ts';
import { classPupilRoutes, pupilRoutes } from './features/pupils/index.ts';
import { classRecordingRoutes, pupilRecordingRoutes, recordingRoutes } from './features/recordings/index.ts';
import { schoolRoutes } from './features/school-settings/index.ts';
import {
  accountRoutes,
  needsSession,
  sessionRoutes,
  signInDoor,
  signInRoutes,
  whoAsks,
  type AskedWith,
} from './features/sign-in/index.ts';
import { termRoutes } from './features/terms/index.ts';
import { tuneUseRoutes } from './features/tune-use/index.ts';
import { tuneRoutes } from './features/tunes/index.ts';
import { answers, ContractBroken } from './platform/answers.ts';
import { batched } from './platform/batched.ts';
import { atMost, atMostUsual, BODY } from './platform/body.ts';
import type { MakeDemoSchool } from './demo/seed.ts';
import { network, type Network } from './platform/client.ts';
import { done } from '@escalier/contract/fields';
import type { AppEnv } from './platform/context.ts';
import { databaseProblem } from './platform/database-problem.ts';
import type { Orm } from './platform/database.ts';
import { documentOf } from './platform/document.ts';
import { newToken } from './platform/ids.ts';
import { plainError } from './platform/log.ts';
import { notFound, Problem } from './platform/problem.ts';
import type { RateLimits } from './platform/rate-limits.ts';
import { webFiles } from './platform/static-files.ts';
import { t } from './platform/messages.ts';

export interface AppOptions {
  /** Holds each answer against its schema, and breaks on one that is not as the contract says: in tests. */
  readonly checksAnswers?: boolean;
  readonly orm: Orm;
  /** Offered on the sign-in page; null outside the demo. */
  readonly demo: DemoAccount | null;
  /** Gives each test a school of its own; null, and no such address, outside of tests. */
  readonly makeDemoSchool?: MakeDemoSchool | null;
  readonly webFolder: string | null;
  /** What a new school begins with. */
  readonly fillSchool: FillSchool;
  readonly live: LiveRecords;
  readonly limits: RateLimits;
  readonly network?: Network;
  readonly logger?: Logger;
  readonly clock?: () => Date;
  /** Of the streams that tell of new records. */
  readonly heartbeatMs?: number;
}

const HEARTBEAT_MS = 20_000;

/** The chained routes carry the type of the whole API for the typed client. */
function apiRoutes(options: AppOptions) {
  return new Hono<AppEnv>()
    .use('/sign-in', atMost(BODY.open))
    .use('/first-run', atMost(BODY.open))
    .use('/invitations/*', atMost(BODY.open))
    .route('/sign-in', signInRoutes(options.demo))
    .route('/session', sessionRoutes)
    .route('/calendars', subscribedRoutes)
    .route('/first-run', firstRunRoutes(options.fillSchool))
    .route('/invitations', invitationRoutes)
    .route('/room', roomRoutes)
    .use('*', needsSession)
    .use('*', atMostUsual)
    .route('/account', accountRoutes)
    .route('/archive', archiveRoutes)
    .route('/belts', beltRoutes)
    .route('/instruments', instrumentRoutes)
    .route('/calendar', calendarRoutes)
    .route('/find', findRoutes)
    .route('/changes', changeRoutes)
    .route('/people', peopleRoutes)
    .route('/terms', termRoutes)
    .route('/staircases', staircaseRoutes)
    .route('/pupils', pupilRoutes)
    .route('/pupils', pupilRecordingRoutes)
    .route('/classes', classRoutes)
    .route('/classes', classStaircaseRoutes)
    .route('/classes', classPupilRoutes)
    .route('/classes', recordRoutes)
    .route('/classes', classPageRoutes)
    .route('/classes', lessonRoutes)
    .route('/classes', classRecordingRoutes)
    .route('/classes', classRoomRoutes)
    .route('/recordings', recordingRoutes)
    .route('/hearing', hearingRoutes(options.orm, options.live, liveStreams(options.heartbeatMs ?? HEARTBEAT_MS)))
    .route('/notes', noteRoutes)
    .route('/school', schoolRoutes)
    .route('/school', schoolRoomRoutes)
    .route('/tunes', tuneRoutes)
    .route('/tunes', tuneUseRoutes)
    .all('*', () => {
      throw notFound('address');
    });
}

export type Api = ReturnType<typeof apiRoutes>;

export function createApp(options: AppOptions) {
  const { orm, logger = pino({ level: 'silent' }), clock = () => new Date() } = options;
  const net = options.network ?? network(null, []);
  const session = batched((asked: readonly AskedWith[]) => whoAsks(orm.em.fork(), asked));
  const app = new Hono<AppEnv>();
  app.use('/api/sign-in', signInDoor);
  app.use('/api/room/words', wordsDoor);
  app.use(numbered(logger));
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        // Tone.js makes the worker that keeps its time from a blob.
        workerSrc: ["'self'", 'blob:'],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:'],
        // A file that is chosen is asked for its length before it is decoded.
        mediaSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
      permissionsPolicy: PERMISSIONS,
    }),
  );
  app.use('/api/*', sameOrigin(net));
  app.use('/api/*', compress());
  app.use('/api/*', async (c, next) => {
    c.set('em', orm.em.fork());
    c.set('session', session);
    c.set('network', net);
    c.set('limits', options.limits);
    c.set('now', clock());
    c.set('clock', clock);
    c.set('checksAnswers', options.checksAnswers ?? false);
    c.header('Cache-Control', 'no-store');
    await next();
  });
  app.get('/api/health', answers(done), async (c) => {
    await c.var.em.execute('select 1');
    return c.json({ ok: true });
  });
  app.get('/api/openapi.json', async (c) => c.json(await documentOf(app)));
  const { makeDemoSchool = null } = options;
  if (makeDemoSchool !== null)
    app.post('/api/demo-schools', async (c) => c.json(await makeDemoSchool(c.var.em, c.var.now), 201));
  app.route('/api', apiRoutes(options));
  if (options.webFolder !== null) app.route('/', webFiles(options.webFolder));
  app.notFound((c) => c.json(notFound('address').body, 404));
  app.onError((error, c) => {
    if (error instanceof ContractBroken) throw error;
    const problem = error instanceof Problem ? error : databaseProblem(error);
    if (problem !== null) return c.json(problem.body, problem.status, problem.headers);
    if (error instanceof HTTPException) return c.json(fromHttp(error), error.status);
    const number = c.get('requestId');
    logger.error({ request: number, route: routePath(c), method: c.req.method, error: plainError(error) }, 'broken');
    const message = t('app.something-broke-here-nothing-was-saved', { number });
    return c.json({ error: { code: 'broken', message } } satisfies Refusal, 500);
  });
  return app;
}

/** A page of Escalier hears through the microphone; nothing else of the device is asked for, and no other site may ask. */
const PERMISSIONS = {
  microphone: ['self'],
  camera: [],
  geolocation: [],
  payment: [],
  usb: [],
  midi: [],
  serial: [],
  bluetooth: [],
  displayCapture: [],
} satisfies Record<string, string[]>;

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A browser says where a write comes from, whatever it carries; who says nothing is no browser and has no cookies. */
function sameOrigin(net: Network) {
  return createMiddleware<AppEnv>(async (c, next) => {
    const origin = c.req.header('origin');
    const site = c.req.header('sec-fetch-site');
    const isForeign =
      origin !== undefined
        ? origin !== net.originOf(c)
        : site !== undefined && site !== 'same-origin' && site !== 'none';
    if (isForeign && !READS.has(c.req.method))
      throw new Problem(403, 'wrong-origin', t('app.this-request-comes-from-another-site'));
    await next();
  });
}

/** Gives every request a number, in its answer and in the log; the log has routes without what stands for their parts. */
function numbered(logger: Logger) {
  return createMiddleware<AppEnv>(async (c, next) => {
    const number = newToken().slice(0, 12);
    const start = performance.now();
    c.set('requestId', number);
    await next();
    c.header('X-Request-Id', number);
    if (!logger.isLevelEnabled('info')) return;
    const { method } = c.req;
    const milliseconds = Math.round(performance.now() - start);
    logger.info({ request: number, method, route: routePath(c), status: c.res.status, milliseconds }, 'answered');
  });
}

/** Broken JSON and refused origins come from Hono itself. */
function fromHttp(error: HTTPException): Refusal {
  const message =
    error.status === 403 ? t('app.this-request-comes-from-another-site') : t('app.this-request-cant-be-read');
  return { error: { code: error.status === 403 ? 'wrong-origin' : 'unreadable', message } };
}
