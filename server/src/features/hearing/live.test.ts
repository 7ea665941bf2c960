import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import { liveRecords } from './live.ts';

let test: TestApp;
let plover: ClassPage;
let otter: ClassSummary;
beforeAll(async () => {
  test = await createTestApp({ heartbeatMs: 50 });
  const list = (await (await test.send('GET', '/api/classes')).json()) as ClassSummary[];
  otter = list.find((each) => each.name === '4 Otter')!;
  const { id } = list.find((each) => each.name === '4 Plover')!;
  plover = (await (await test.send('GET', `/api/classes/${id}`)).json()) as ClassPage;
});
afterAll(() => test.close());

const nearly = () => ({
  kind: 'heard',
  id: v7(),
  pupilId: plover.pupils[0]!.id,
  stepId: plover.steps[0]!.id,
  outcome: 'nearly',
  remarks: [],
  heardAt: '2026-03-03T09:55:00Z',
});

interface Told {
  readonly event: string;
  readonly classId: string;
}

/** What a stream tells, as it comes; ends when the server ends it. */
async function* eventsOf(cookie = test.cookie): AsyncGenerator<Told> {
  const answer = await test.send('GET', '/api/hearing/live', undefined, cookie);
  expect(answer.headers.get('content-type')).toContain('text/event-stream');
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader();
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      for (const [, event, classId] of value.matchAll(/^event: (.*)\ndata: ?(.*)$/gm))
        yield { event: event!, classId: classId! };
    }
  } finally {
    await reader.cancel();
  }
}

/** Reads on to the next that is no heartbeat. */
async function nextRecords(stream: AsyncGenerator<Told>): Promise<string | null> {
  for (;;) {
    const { value, done } = await stream.next();
    if (done === true) return null;
    if (value.event === 'records') return value.classId;
  }
}

/** Somebody else of the school, with the classes of theirs. */
async function colleague(
  classIds: readonly string[],
): Promise<{ cookie: string; id: string; end: () => Promise<void> }> {
  const made = await test.send('POST', '/api/people/invitations', { name: 'Tove', role: 'teacher', classIds });
  const { token } = (await made.json()) as { token: string };
  const account = { name: 'Tove', email: `${v7()}@osierbridge.example`, password: 'four plain words here' };
  const answer = await test.send('POST', `/api/invitations/${token}`, account, null);
  const cookie = answer.headers.get('set-cookie')!.split(';')[0]!;
  const { people } = (await (await test.send('GET', '/api/people')).json()) as {
    people: { id: string; email: string }[];
  };
  const { id } = people.find((person) => person.email === account.email)!;
  const end = async () => {
    const body = { role: 'teacher', classIds: [], closed: true, version: 1 };
    expect((await test.send('PUT', `/api/people/${id}`, body)).status).toBe(200);
  };
  return { cookie, id, end };
}

describe('live records', () => {
  it('tell who may open the class, and nobody else', async () => {
    const other = await colleague([otter.id]);
    const [mara, tove] = [eventsOf(), eventsOf(other.cookie)];
    // The first says that there may be something new: messages may have been missed.
    for (const stream of [mara, tove]) expect(await nextRecords(stream)).toBe('');
    const told: string[] = [];
    const listener = liveRecords(test.databaseUrl);
    await new Promise<void>((resolve) => {
      listener.listen((classId) => {
        told.push(classId);
        resolve();
      });
    });
    await test.record(nearly());
    await expect.poll(() => told).toContain(plover.id);
    let classId = await nextRecords(mara);
    while (classId === '') classId = await nextRecords(mara);
    expect(classId).toBe(plover.id);
    await other.end();
    // Its account is closed: the stream ends, and has told nothing of a class of others.
    const rest: (string | null)[] = [];
    for (let next = await nextRecords(tove); next !== null; next = await nextRecords(tove)) rest.push(next);
    expect(rest.every((each) => each === '')).toBe(true);
    await mara.return(undefined);
    await listener.close();
  });

  it('are refused to an account that has too many', async () => {
    const other = await colleague([]);
    const streams = Array.from({ length: 12 }, () => eventsOf(other.cookie));
    for (const stream of streams) expect(await nextRecords(stream)).toBe('');
    expect((await test.send('GET', '/api/hearing/live', undefined, other.cookie)).status).toBe(429);
    for (const stream of streams) await stream.return(undefined);
    await expect
      .poll(async () => (await test.send('GET', '/api/hearing/live', undefined, other.cookie)).status)
      .toBe(200);
    await other.end();
  });

  it('listen again when the database has cut them off', async () => {
    const listener = liveRecords(test.databaseUrl);
    const told: string[] = [];
    listener.listen((classId) => void told.push(classId));
    await expect.poll(() => told).toEqual(['any']);
    await test.orm.em
      .fork()
      .execute("select pg_terminate_backend(pid) from pg_stat_activity where query = 'listen escalier_records'");
    await expect.poll(() => told, { timeout: 10_000 }).toEqual(['any', 'any']);
    await test.record(nearly());
    await expect.poll(() => told).toContain(plover.id);
    await listener.close();
  }, 20_000);
});
