import { randomBytes } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { inject } from 'vitest';
import { createApp } from '../app.ts';
import { DEMO_TEACHER } from '../demo/school.ts';
import { seedDemo } from '../demo/seed.ts';
import { connect } from '../connect.ts';
import type { Orm } from '../platform/database.ts';

export const TUNES_FOLDER = fileURLToPath(new URL('../../../demo/tunes', import.meta.url));

export interface TestApp {
  readonly orm: Orm;
  readonly app: ReturnType<typeof createApp>;
  /** Sends JSON as a signed-in teacher, or as a stranger with `cookie: null`. */
  readonly send: (method: string, path: string, body?: unknown, cookie?: string | null) => Promise<Response>;
  /** The cookie of the demo's teacher. */
  readonly cookie: string;
  readonly close: () => Promise<void>;
}

/** A Tuesday in term, ten in the morning. */
export const TEST_NOW = new Date('2026-03-03T10:00:00Z');

/** The whole application over a database of its own, with the demo school in it. */
export async function createTestApp(): Promise<TestApp> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = await connect(`${inject('postgres')}/postgres`);
  await admin.em.execute(`create database ${name} template ${inject('template')}`);
  await admin.close(true);
  const orm = await connect(`${inject('postgres')}/${name}`);
  await seedDemo(orm, TUNES_FOLDER, TEST_NOW);
  const demo = { email: DEMO_TEACHER.email, password: DEMO_TEACHER.password };
  const app = createApp({ orm, demo, webFolder: null, clock: () => TEST_NOW });
  const request = async (method: string, path: string, body: unknown, cookie: string | null): Promise<Response> =>
    app.request(path, {
      method,
      headers: { 'content-type': 'application/json', ...(cookie === null ? {} : { cookie }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  const cookie = await signedIn((body) => request('POST', '/api/sign-in', body, null), demo);
  return {
    orm,
    app,
    cookie,
    send: (method, path, body, as = cookie) => request(method, path, body, as),
    close: () => orm.close(true),
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
