import { OUTCOMES } from '@escalier/core/records';
import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';
import { batched } from '../../platform/batched.ts';
import type { AppEnv } from '../../platform/context.ts';
import { moment, text } from '../../platform/fields.ts';
import type { Orm } from '../../platform/database.ts';
import { valid } from '../../platform/valid.ts';
import { ANY_CLASS, type LiveRecords } from './live.ts';
import { recordAll, type Sending } from './service.ts';

const when = moment.transform((iso) => new Date(iso));
const eventBase = { id: z.uuidv7('An id made by the client, UUID version 7.'), heardAt: when };
const MOST_REMARKS = 20;

const eventInput = z.discriminatedUnion('kind', [
  z.object({
    ...eventBase,
    kind: z.literal('heard'),
    pupilId: z.uuid('The id of a pupil.'),
    stepId: z.uuid('The id of a step.'),
    tuneId: z.uuid('The id of a tune.').optional(),
    outcome: z.enum(OUTCOMES, 'One of: passed, nearly, not-yet.'),
    remarks: z
      .array(z.string().regex(/^[a-z0-9-]{1,60}$/, 'The id of a remark.'))
      .max(MOST_REMARKS, `At most ${MOST_REMARKS} remarks.`)
      .refine((remarks) => new Set(remarks).size === remarks.length, 'Each remark once.'),
    tempo: z.int('Whole beats a minute.').min(10, 'At least 10.').max(400, 'At most 400.').optional(),
    corrects: z.uuid('The id of a record.').optional(),
    reason: text().trim().max(200, 'At most 200 letters.').optional(),
  }),
  z.object({ ...eventBase, kind: z.literal('undone'), undoes: z.uuid('The id of a record.') }),
]);

const MOST_EVENTS = 200;
const recordsInput = z.object({
  sentAt: when,
  events: z
    .array(eventInput)
    .min(1, 'One event at least.')
    .max(MOST_EVENTS, `At most ${MOST_EVENTS} events at once.`)
    .refine((events) => new Set(events.map(({ id }) => id)).size === events.length, 'Each event once.'),
});

/** Nobody feels it, and at the end of a lesson many marks share a commit. */
const GATHER_MS = 5;

const HEARTBEAT_MS = 20_000;

export function hearingRoutes(orm: Orm, live: LiveRecords) {
  const record = batched((sendings: readonly Sending[]) => recordAll(orm.em.fork(), sendings), GATHER_MS);
  return new Hono<AppEnv>()
    .post('/events', valid('json', recordsInput), async (c) => {
      const results = await record({ who: c.var.who, input: c.req.valid('json'), now: c.var.now });
      return c.json({ results });
    })
    .get('/live', valid('query', z.object({ class: z.uuid() })), (c) => {
      const { class: classId } = c.req.valid('query');
      // Says only that there is something new: the records themselves are asked for, with the right to see them.
      return streamSSE(c, async (stream) => {
        let wake: () => void = () => undefined;
        let news = true;
        const stop = live.listen((changed) => {
          if (changed !== classId && changed !== ANY_CLASS) return;
          news = true;
          wake();
        });
        stream.onAbort(() => {
          stop();
          wake();
        });
        while (!stream.aborted && !stream.closed) {
          const event = news ? 'records' : 'beat';
          news = false;
          await stream.writeSSE({ event, data: classId });
          if (news) continue;
          const beat = setTimeout(() => wake(), HEARTBEAT_MS);
          await new Promise<void>((resolve) => (wake = resolve));
          clearTimeout(beat);
        }
        stop();
      });
    });
}
