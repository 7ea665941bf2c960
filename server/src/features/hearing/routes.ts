import { idParam } from '@escalier/contract/fields';
import { ClassRecords, SentEvents, afterQuery, recordedAll } from '@escalier/contract/results';
import { Hono, type Context } from 'hono';
import { getCookie } from 'hono/cookie';
import { streamSSE } from 'hono/streaming';
import { batched } from '../../platform/batched.ts';
import { answers, answersFile } from '../../platform/answers.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import type { Orm } from '../../platform/database.ts';
import { valid } from '../../platform/valid.ts';
import { openClasses } from '../classes/index.ts';
import { SESSION_COOKIE } from '../sign-in/index.ts';
import type { LiveRecords } from './live.ts';
import { classRecords } from './read-events.ts';
import { recordAll, type Sending } from './service.ts';
import { liveStream, type LiveStreams } from './streams.ts';

/** Nobody feels it, and at the end of a lesson many marks share a commit. */
const GATHER_MS = 5;

export function hearingRoutes(orm: Orm, live: LiveRecords, streams: LiveStreams) {
  const record = batched((sendings: readonly Sending[]) => recordAll(orm.em.fork(), sendings), GATHER_MS);
  return new Hono<AppEnv>()
    .post('/events', answers(recordedAll), forRole('assistant'), valid('json', SentEvents), async (c) => {
      const results = await record({ who: c.var.who, input: c.req.valid('json'), now: c.var.now });
      return c.json({ results });
    })
    .get('/live', answersFile('text/event-stream'), forRole('assistant'), (c) => {
      const leave = streams.enter(c.var.who.accountId);
      return streamSSE(c, async (stream) => {
        try {
          await liveStream(stream, { live, heartbeatMs: streams.heartbeatMs, ask: () => stillMay(c, orm) });
        } finally {
          leave();
        }
      });
    });
}

/** Whether the session still holds, and which classes it opens now; null when it is over. */
async function stillMay(c: Context<AppEnv>, orm: Orm): Promise<ReadonlySet<string> | null> {
  const token = getCookie(c, SESSION_COOKIE);
  const user = token === undefined ? null : await c.var.session({ token, now: c.var.clock() });
  return user === null ? null : new Set(await openClasses(orm.em.fork(), user));
}

/** By the id of a class. */
export const recordRoutes = new Hono<AppEnv>().get(
  '/:id/records',
  answers(ClassRecords),
  forRole('assistant'),
  valid('param', idParam),
  valid('query', afterQuery),
  async (c) => {
    const { after } = c.req.valid('query');
    return c.json(await classRecords(c.var.em, c.var.who, c.req.valid('param').id, after));
  },
);
