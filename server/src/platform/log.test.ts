import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PassThrough } from 'node:stream';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../testing/index.ts';
import { createApp } from '../app.ts';
import { liveRecords } from '../features/hearing/index.ts';
import { createLogger, plainError } from './log.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

describe('the log', () => {
  it('has the number of a request that broke and where, and nothing of a child', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'escalier-log-'));
    const terminal = new PassThrough();
    let shown = '';
    terminal.on('data', (text: Buffer) => (shown += text.toString()));
    const live = liveRecords(test.databaseUrl);
    const fillSchool = () => Promise.resolve();
    // A clock that breaks stands for any bug; what is sent holds a name and a note.
    const broken = (): Date => {
      throw new Error('Nils of 4 Plover: sits at the back');
    };
    const logger = createLogger('error', folder, terminal);
    const app = createApp({
      orm: test.orm,
      demo: null,
      webFolder: null,
      fillSchool,
      live,
      limits: test.limits,
      logger,
      clock: broken,
    });
    const answer = await app.request('/api/classes', { headers: { cookie: test.cookie } });
    expect(answer.status).toBe(500);
    const number = answer.headers.get('x-request-id')!;
    expect(JSON.stringify(await answer.json())).toContain(number);
    await expect.poll(() => readFileSync(join(folder, 'escalier.log'), 'utf8')).toContain(number);
    const written = `${shown}${readFileSync(join(folder, 'escalier.log'), 'utf8')}`;
    expect(written).toContain('"type":"Error"');
    expect(written).not.toMatch(/Nils|sits at the back|escalier_session/);
    await live.close();
    rmSync(folder, { recursive: true });
  });

  it('names the constraint of a database, but neither the statement nor its values', async () => {
    const em = test.orm.em.fork();
    const [row] = await em.execute<{ id: string }[]>('select id from pupil limit 1');
    const failure: unknown = await em
      .execute("insert into pupil (id, shown_name) values (?, 'Nils')", [row!.id])
      .catch((error: unknown) => error);
    const written = JSON.stringify(plainError(failure));
    expect(written).toContain('"code":"23502"');
    expect(written).not.toMatch(/Nils|insert into/);
    expect(plainError('a word')).toEqual({ type: 'string', at: [] });
  });
});
