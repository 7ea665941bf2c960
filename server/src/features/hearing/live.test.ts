import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import type { ClassPage, ClassSummary } from '../classes/index.ts';
import { liveRecords } from './live.ts';

let test: TestApp;
let plover: ClassPage;
let otter: ClassSummary;
beforeAll(async () => {
  test = await createTestApp();
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

/** The events of a stream as they come, by their names. */
async function* eventsOf(classId: string): AsyncGenerator<string> {
  const answer = await test.send('GET', `/api/hearing/live?class=${classId}`);
  expect(answer.headers.get('content-type')).toContain('text/event-stream');
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader();
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      for (const [, name] of value.matchAll(/^event: (.*)$/gm)) yield name!;
    }
  } finally {
    await reader.cancel();
  }
}

describe('live records', () => {
  it('tell every listener of the class, and nobody of another', async () => {
    const [here, there] = [eventsOf(plover.id), eventsOf(otter.id)];
    // The first says that there may be something new; the second comes with the connection to the database.
    for (const stream of [here, there]) expect((await stream.next()).value).toBe('records');
    const told: string[] = [];
    const listener = liveRecords(test.databaseUrl);
    await new Promise<void>((resolve) => {
      listener.listen((classId) => {
        told.push(classId);
        resolve();
      });
    });
    await test.record(nearly());
    expect((await here.next()).value).toBe('records');
    await expect.poll(() => told).toContain(plover.id);
    expect(told).not.toContain(otter.id);
    await here.return(undefined);
    await there.return(undefined);
    await listener.close();
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
