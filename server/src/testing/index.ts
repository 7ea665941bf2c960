import { randomBytes } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { inject } from 'vitest';
import { createApp } from '../app.ts';
import { DEMO_TEACHER } from '../demo/school.ts';
import { seedDemo } from '../demo/seed.ts';
import { stockSchool } from '../demo/stock.ts';
import { liveRecords, type Recorded } from '../features/hearing/index.ts';
import { ensureSetupCode, type Stock } from '../features/people/index.ts';
import { connect } from '../connect.ts';
import type { Orm } from '../platform/database.ts';

export const TUNES_FOLDER = fileURLToPath(new URL('../../../demo/tunes', import.meta.url));

export interface TestApp {
  readonly orm: Orm;
  readonly app: ReturnType<typeof createApp>;
  /** Sends JSON as a signed-in teacher, or as a stranger with `cookie: null`. */
  readonly send: (method: string, path: string, body?: unknown, cookie?: string | null) => Promise<Response>;
  /** Sends events as a device does; gives what became of each. */
  readonly record: (...events: readonly unknown[]) => Promise<readonly Recorded[]>;
  /** Of a first run in an empty database. */
  readonly setupCode: () => Promise<string>;
  /** The cookie of the demo's teacher. */
  readonly cookie: string;
  readonly databaseUrl: string;
  /** Of who may change tables, and copy and bring back. */
  readonly ownerUrl: string;
  /** Sets the clock of the application. */
  readonly setNow: (now: Date) => void;
  readonly close: () => Promise<void>;
}

/** A Tuesday in term, ten in the morning. */
export const TEST_NOW = new Date('2026-03-03T10:00:00Z');

/** The whole application over a database of its own, with the demo school in it or with none. */
export async function createTestApp({ empty = false, heartbeatMs = 20_000 } = {}): Promise<TestApp> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  const { owner, app: reader } = inject('postgres');
  const admin = await connect(`${owner}postgres`);
  await admin.em.execute(`create database ${name} template ${inject('template')}`);
  await admin.close(true);
  // As in the product: who answers requests may change rows, and nothing else.
  const databaseUrl = `${reader}${name}`;
  const orm = await connect(databaseUrl);
  if (!empty) await seedDemo(orm, TUNES_FOLDER, TEST_NOW);
  const stock: Stock = async (em, schoolId) => {
    await stockSchool(em, schoolId, TUNES_FOLDER);
  };
  const demo = { email: DEMO_TEACHER.email, password: DEMO_TEACHER.password };
  let now = TEST_NOW;
  const live = liveRecords(databaseUrl);
  const app = createApp({ orm, demo, webFolder: null, stock, live, heartbeatMs, clock: () => now });
  const setNow = (next: Date): void => void (now = next);
  const request = async (method: string, path: string, body: unknown, cookie: string | null): Promise<Response> =>
    app.request(path, {
      method,
      headers: { 'content-type': 'application/json', ...(cookie === null ? {} : { cookie }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  const cookie = empty ? '' : await signedIn((body) => request('POST', '/api/sign-in', body, null), demo);
  return {
    orm,
    app,
    cookie,
    send: (method, path, body, as = cookie) => request(method, path, body, as),
    record: async (...events) => {
      const answer = await request('POST', '/api/hearing/events', { sentAt: now.toISOString(), events }, cookie);
      if (answer.status !== 200) throw new Error(`Recording gave ${answer.status}: ${await answer.text()}`);
      return ((await answer.json()) as { results: readonly Recorded[] }).results;
    },
    setupCode: async () => (await ensureSetupCode(orm.em.fork())) ?? '',
    setNow,
    databaseUrl,
    ownerUrl: `${owner}${name}`,
    close: async () => {
      await live.close();
      await orm.close(true);
    },
  };
}

export async function signedIn(
  post: (body: unknown) => Promise<Response>,
  account: { readonly email: string; readonly password: string },
): Promise<string> {
  const answer = await post(account);
  const cookie = answer.headers.get('set-cookie')?.split(';')[0];
  if (cookie === undefined) throw new Error(`Signing in gave ${answer.status}`);
  return cookie;
}
