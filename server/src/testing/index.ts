import type { ClassPage } from '@escalier/contract/class-pages';
import type { ClassRecords, Recorded } from '@escalier/contract/results';
import { randomBytes } from 'node:crypto';
import { byRecords, classView, type ClassView } from '@escalier/core/classes';
import { inject } from 'vitest';
import { createApp } from '../app.ts';
import { DEMO_TEACHER } from '../demo/school.ts';
import { fillSchool } from '../demo/new-school.ts';
import { readShipped } from '../demo/shipped.ts';
import { AccountEntity } from '../features/accounts/index.ts';
import { liveRecords } from '../features/hearing/index.ts';
import { ensureSetupCode, type FillSchool } from '../features/people/index.ts';
import { hashPassword } from '../features/sign-in/index.ts';
import { connect } from '../connect.ts';
import type { Orm } from '../platform/database.ts';
import { rateLimits, type RateLimits } from '../platform/rate-limits.ts';
import { TEST_NOW, TUNES_FOLDER } from './constants.ts';

export { TEST_NOW, TUNES_FOLDER };

export interface TestApp {
  readonly orm: Orm;
  readonly app: ReturnType<typeof createApp>;
  /** Sends JSON as a signed-in teacher, or as a stranger with `cookie: null`. */
  readonly send: (method: string, path: string, body?: unknown, cookie?: string | null) => Promise<Response>;
  /** Sends events as a device does; gives what became of each. */
  readonly record: (...events: readonly unknown[]) => Promise<readonly Recorded[]>;
  /** A class as its page shows it: its facts and its records, put together as every device does. */
  readonly view: (classId: string) => Promise<ClassView<ClassPage>>;
  /** Of a first run in an empty database. */
  readonly setupCode: () => Promise<string>;
  /** The cookie of the demo's teacher. */
  readonly cookie: string;
  readonly limits: RateLimits;
  readonly databaseUrl: string;
  /** Of who may change tables, and copy and bring back. */
  readonly ownerUrl: string;
  /** Sets the clock of the application. */
  readonly setNow: (now: Date) => void;
  readonly close: () => Promise<void>;
}

/** The whole application over a database of its own, with the demo school in it or with none. */
export async function createTestApp({ empty = false, heartbeatMs = 20_000 } = {}): Promise<TestApp> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  const { owner, app: reader } = inject('postgres');
  const admin = await connect(`${owner}postgres`);
  const template = inject(empty ? 'template' : 'demoTemplate');
  await admin.em.execute(`create database ${name} template ${template}`);
  await admin.close(true);
  // As in the product: who answers requests may change rows, and nothing else.
  const databaseUrl = `${reader}${name}`;
  const orm = await connect(databaseUrl);
  const fillNewSchool: FillSchool = async (em, schoolId) => {
    await fillSchool(em, schoolId, await readShipped(TUNES_FOLDER));
  };
  const demo = { email: DEMO_TEACHER.email, password: DEMO_TEACHER.password };
  let now = TEST_NOW;
  const live = liveRecords(databaseUrl);
  const limits = rateLimits(databaseUrl);
  const app = createApp({
    orm,
    demo,
    webFolder: null,
    fillSchool: fillNewSchool,
    live,
    limits,
    heartbeatMs,
    checksAnswers: true,
    clock: () => now,
  });
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
    view: async (classId) => {
      const get = async (path: string): Promise<unknown> => (await request('GET', path, undefined, cookie)).json();
      const page = (await get(`/api/classes/${classId}`)) as ClassPage;
      const { records } = (await get(`/api/classes/${classId}/records`)) as ClassRecords;
      return classView(
        page,
        byRecords((id) => records.filter((event) => event.pupilId === id)),
      );
    },
    setupCode: async () => (await ensureSetupCode(orm.em.fork())) ?? '',
    setNow,
    limits,
    databaseUrl,
    ownerUrl: `${owner}${name}`,
    close: async () => {
      await live.close();
      await limits.close();
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

/** The cookie of another account of the demo, which gets a password for it. */
export async function cookieOf({ orm, send }: TestApp, email: string): Promise<string> {
  const password = 'quiet-river-stone-9';
  await orm.em.fork().nativeUpdate(AccountEntity, { email }, { passwordHash: await hashPassword(password) });
  return signedIn((body) => send('POST', '/api/sign-in', body, null), { email, password });
}
