import { done, idParam } from '@escalier/contract/fields';
import {
  NewAnswer,
  NewRecording,
  RecordingChange,
  RecordingStorage,
  StorageInput,
  answerErased,
  handedIn,
  recordingsErased,
  RecordingList,
  recordingCount,
} from '@escalier/contract/recordings';
import { Hono, type Context } from 'hono';
import { answers, answersFile } from '../../platform/answers.ts';
import { atMost, BODY } from '../../platform/body.ts';
import type { AppEnv } from '../../platform/context.ts';
import { forRole } from '../../platform/roles.ts';
import { valid } from '../../platform/valid.ts';
import { eraseAnswer, keepAnswer, keepWords } from './answers.ts';
import {
  changeStorage,
  countOf,
  eraseAllOf,
  eraseRecording,
  keepRecording,
  noteHeard,
  recordingsOf,
  soundOf,
  type KeptSound,
  storageOf,
} from './service.ts';

/** Under `/classes`. */
export const classRecordingRoutes = new Hono<AppEnv>().get(
  '/:id/recordings',
  answers(RecordingList),
  forRole('assistant'),
  valid('param', idParam),
  async (c) => c.json(await recordingsOf(c.var.em, c.var.who, c.req.valid('param').id, c.var.now)),
);

/** Under `/pupils`. */
export const pupilRecordingRoutes = new Hono<AppEnv>()
  .get('/:id/recordings', answers(recordingCount), valid('param', idParam), async (c) => {
    return c.json({ count: await countOf(c.var.em, c.var.who, c.req.valid('param').id) });
  })
  .delete('/:id/recordings', answers(recordingsErased), valid('param', idParam), async (c) => {
    return c.json({ erased: await eraseAllOf(c.var.em, c.var.who, c.req.valid('param').id, c.var.now) });
  });

export const recordingRoutes = new Hono<AppEnv>()
  .get('/storage', answers(RecordingStorage), async (c) =>
    c.json(await storageOf(c.var.em, c.var.who.schoolId, c.var.now)),
  )
  .put('/storage', answers(done), forRole('owner'), valid('json', StorageInput), async (c) => {
    await changeStorage(c.var.em, c.var.who, c.req.valid('json'));
    return c.json({ ok: true });
  })
  .put(
    '/:id/sound',
    answers(handedIn, 201),
    atMost(BODY.sound),
    forRole('assistant'),
    valid('param', idParam),
    valid('query', NewRecording),
    async (c) => {
      const sound = new Uint8Array(await c.req.arrayBuffer());
      const { id } = c.req.valid('param');
      await keepRecording(c.var.em, c.var.who, { id, ...c.req.valid('query') }, sound, c.var.now);
      return c.json({ id }, 201);
    },
  )
  .get('/:id/sound', answersFile('audio/*'), forRole('assistant'), valid('param', idParam), async (c) => {
    return played(c, await soundOf(c.var.em, c.var.who, c.req.valid('param').id, c.var.now, 'playing'));
  })
  .put(
    '/:id/answer',
    answers(done),
    atMost(BODY.sound),
    forRole('assistant'),
    valid('param', idParam),
    valid('query', NewAnswer),
    async (c) => {
      const spoken = new Uint8Array(await c.req.arrayBuffer());
      await keepAnswer(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('query'), spoken, c.var.now);
      return c.json({ ok: true });
    },
  )
  .get('/:id/answer', answersFile('audio/*'), forRole('assistant'), valid('param', idParam), async (c) => {
    return played(c, await soundOf(c.var.em, c.var.who, c.req.valid('param').id, c.var.now, 'answer'));
  })
  .delete('/:id/answer', answers(done), valid('param', idParam), valid('query', answerErased), async (c) => {
    await eraseAnswer(c.var.em, c.var.who, c.req.valid('param').id, c.req.valid('query').version);
    return c.json({ ok: true });
  })
  .patch(
    '/:id',
    answers(done),
    forRole('assistant'),
    valid('param', idParam),
    valid('json', RecordingChange),
    async (c) => {
      const { em, who } = c.var;
      const [{ id }, input] = [c.req.valid('param'), c.req.valid('json')];
      await ('heard' in input ? noteHeard(em, who, id, input.heard) : keepWords(em, who, id, input));
      return c.json({ ok: true });
    },
  )
  .delete('/:id', answers(done), valid('param', idParam), async (c) => {
    await eraseRecording(c.var.em, c.var.who, c.req.valid('param').id, c.var.now);
    return c.json({ ok: true });
  });

/** A sound, or the part of it that is asked for. */
async function played(c: Context, { type, length, read }: KeptSound): Promise<Response> {
  const range = rangeOf(c.req.header('range'), length);
  const headers = { 'content-type': type, 'accept-ranges': 'bytes', 'cache-control': 'private, no-store' };
  if (range === null) return c.body(bytesOf(await read(0, length - 1)), 200, headers);
  if (range === 'outside') return c.body(null, 416, { 'content-range': `bytes */${length}` });
  const [from, to] = range;
  return c.body(bytesOf(await read(from, to)), 206, {
    ...headers,
    'content-range': `bytes ${from}-${to}/${length}`,
  });
}

function bytesOf(buffer: Buffer): ArrayBuffer {
  return new Uint8Array(buffer).buffer;
}

/** First and last byte that are asked for (RFC 9110, one range); null for all of it. */
export function rangeOf(header: string | undefined, length: number): readonly [number, number] | 'outside' | null {
  const asked = /^bytes=(\d*)-(\d*)$/.exec(header ?? '');
  if (asked === null || (asked[1] === '' && asked[2] === '')) return null;
  const [first, last] = [asked[1]!, asked[2]!];
  const from = first === '' ? Math.max(0, length - Number(last)) : Number(first);
  const to = first === '' || last === '' ? length - 1 : Math.min(Number(last), length - 1);
  return from > to || from >= length ? 'outside' : [from, to];
}
