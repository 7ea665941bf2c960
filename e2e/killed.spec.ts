import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { ensureDatabase, startPostgres } from '../scripts/lib/postgres.mjs';
import { startServer, stopServer, type RunningServer } from './server.ts';

const CLIENTS = 10;
const MARKS = 2000;

/** UUID v7: the time first, then chance. */
function v7(): string {
  const time = Date.now().toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${randomUUID().slice(15)}`;
}

async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  await new Promise((resolve) => server.close(resolve));
  if (address === null || typeof address === 'string') throw new Error('no port');
  return address.port;
}

const wait = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

interface Mark {
  readonly id: string;
  readonly pupilId: string;
}

/** Sends a mark until the school has answered for it; gives whether it was acknowledged. */
async function send(address: string, cookie: string, mark: Mark, stepId: string): Promise<boolean> {
  const event = { kind: 'heard', ...mark, stepId, outcome: 'nearly', remarks: [], heardAt: new Date().toISOString() };
  try {
    const answer = await fetch(`${address}/api/hearing/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify({ sentAt: new Date().toISOString(), events: [event] }),
    });
    if (answer.status !== 200) return false;
    const { results } = (await answer.json()) as { results: { id: string; number?: number }[] };
    return results[0]?.id === mark.id && results[0].number !== undefined;
  } catch {
    return false;
  }
}

test(
  'server and database are killed during 2,000 marks: every acknowledged one is there, once',
  { tag: '@long' },
  async () => {
    const folder = mkdtempSync(join(tmpdir(), 'escalier-power-'));
    chmodSync(folder, 0o711);
    const data = join(folder, 'data');
    const port = await freePort();
    let postgres = await startPostgres(data);
    let server: RunningServer | null = null;
    try {
      ensureDatabase(postgres, 'power');
      const urls = () => ({ app: postgres.url('power'), owner: postgres.ownerUrl('power') });
      server = await startServer(urls(), { port });
      const { address } = server;
      const demo = (await (await fetch(`${address}/api/sign-in`)).json()) as {
        demo: { email: string; password: string };
      };
      const signedIn = await fetch(`${address}/api/sign-in`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(demo.demo),
      });
      const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
      const get = async <Body>(path: string): Promise<Body> =>
        (await (await fetch(`${address}${path}`, { headers: { cookie } })).json()) as Body;
      const [first] = await get<{ id: string }[]>('/api/classes');
      const { pupils, steps } = await get<{
        pupils: { id: string; leftOn: string | null }[];
        steps: { id: string }[];
      }>(`/api/classes/${first!.id}`);
      const here = pupils.filter((pupil) => pupil.leftOn === null);
      const before = await get<{ records: unknown[] }>(`/api/classes/${first!.id}/records`);

      const marks = Array.from({ length: MARKS }, (_, index): Mark => ({
        id: v7(),
        pupilId: here[index % here.length]!.id,
      }));
      const acknowledged = new Set<string>();
      let next = 0;
      const client = async (): Promise<void> => {
        for (let mark = marks[next++]; mark !== undefined; mark = marks[next++]) {
          while (!(await send(address, cookie, mark, steps[0]!.id))) await wait(50);
          acknowledged.add(mark.id);
        }
      };
      const power = (async () => {
        while (acknowledged.size < MARKS / 3) await wait(5);
        const known = new Set(acknowledged);
        process.kill(-postgres.pid!, 'SIGKILL');
        await Promise.all([stopServer(server, 'SIGKILL'), postgres.ended]);
        postgres = await startPostgres(data);
        server = await startServer(urls(), { port });
        const after = await get<{ records: { id: string }[] }>(`/api/classes/${first!.id}/records`);
        const there = new Set(after.records.map((record) => record.id));
        expect([...known].filter((id) => !there.has(id))).toEqual([]);
      })();
      await Promise.all([power, ...Array.from({ length: CLIENTS }, client)]);

      const { records } = await get<{ records: { id: string }[] }>(`/api/classes/${first!.id}/records`);
      expect(records).toHaveLength(before.records.length + MARKS);
      const ids = records.map((record) => record.id);
      expect(new Set(ids).size).toBe(ids.length);
      for (const id of acknowledged) expect(ids).toContain(id);
    } finally {
      if (server !== null) await stopServer(server);
      await postgres.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  },
);
