import { MOST_BARS } from '@escalier/core/music';
import { OUTCOMES } from '@escalier/core/records';
import { Hono, type Context } from 'hono';
import { getCookie } from 'hono/cookie';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';
import { batched } from '../../platform/batched.ts';
import type { AppEnv } from '../../platform/context.ts';
import { moment, text } from '../../platform/fields.ts';
import { idParam } from '../../platform/ids.ts';
import { forRole } from '../../platform/roles.ts';
import type { Orm } from '../../platform/database.ts';
import { valid } from '../../platform/valid.ts';
import { openClasses } from '../classes/index.ts';
import { SESSION_COOKIE } from '../sign-in/index.ts';
import type { LiveRecords } from './live.ts';
import { classRecords } from './read-events.ts';
import { recordAll, type Sending } from './service.ts';
import { liveStream, type LiveStreams } from './streams.ts';

const when = moment.transform((iso) => new Date(iso));
const eventBase = { id: z.uuidv7(), heardAt: when };
const MOST_REMARKS = 20;

const remarkId = z.string().regex(/^[a-z0-9-]{1,60}$/);
const bar = z.int().min(0).max(MOST_BARS);
const span = z.tuple([bar, bar]).refine(([first, last]) => first <= last, 'first-last');
const MOST_FAULTS = 60;

const eventInput = z.discriminatedUnion('kind', [
  z.object({
    ...eventBase,
    kind: z.literal('heard'),
    pupilId: z.uuid(),
    stepId: z.uuid(),
    tuneId: z.uuid().optional(),
    outcome: z.enum(OUTCOMES),
    remarks: z
      .array(remarkId)
      .max(MOST_REMARKS)
      .refine((remarks) => new Set(remarks).size === remarks.length, 'twice'),
    tempo: z.int().min(10).max(400).optional(),
    faults: z
      .array(
        z.object({ remark: remarkId.optional(), bar, barIndex: bar, eventIndex: z.int().min(0).max(999).optional() }),
      )
      .min(1)
      .max(MOST_FAULTS)
      .optional(),
    extent: z.object({ bars: span, indices: span, slowly: z.boolean() }).optional(),
    listened: z
      .object({
        recordingId: z.uuid().optional(),
        outcome: z.enum(OUTCOMES).nullable(),
        remarks: z.array(remarkId).max(MOST_REMARKS),
      })
      .optional(),
    corrects: z.uuid().optional(),
    reason: text().trim().max(200).optional(),
  }),
  z.object({ ...eventBase, kind: z.literal('undone'), undoes: z.uuid() }),
]);

const MOST_EVENTS = 200;
const recordsInput = z.object({
  sentAt: when,
  events: z
    .array(eventInput)
    .min(1)
    .max(MOST_EVENTS)
    .refine((events) => new Set(events.map(({ id }) => id)).size === events.length, 'twice'),
});

/** Nobody feels it, and at the end of a lesson many marks share a commit. */
const GATHER_MS = 5;

export function hearingRoutes(orm: Orm, live: LiveRecords, streams: LiveStreams) {
  const record = batched((sendings: readonly Sending[]) => recordAll(orm.em.fork(), sendings), GATHER_MS);
  return new Hono<AppEnv>()
    .post('/events', forRole('assistant'), valid('json', recordsInput), async (c) => {
      const results = await record({ who: c.var.who, input: c.req.valid('json'), now: c.var.now });
      return c.json({ results });
    })
    .get('/live', forRole('assistant'), (c) => {
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
  const who = token === undefined ? null : await c.var.session({ token, now: c.var.clock() });
  return who === null ? null : new Set(await openClasses(orm.em.fork(), who));
}

const afterQuery = z.object({ after: z.coerce.number().int().min(0).default(0) });

/** By the id of a class. */
export const recordRoutes = new Hono<AppEnv>().get(
  '/:id/records',
  forRole('assistant'),
  valid('param', idParam),
  valid('query', afterQuery),
  async (c) => {
    const { after } = c.req.valid('query');
    return c.json(await classRecords(c.var.em, c.var.who, c.req.valid('param').id, after));
  },
);
