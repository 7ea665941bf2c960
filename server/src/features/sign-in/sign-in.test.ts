import type { Refusal } from '@escalier/contract/refusals';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEMO_TEACHER } from '../../demo/school.ts';
import { Problem } from '../../platform/problem.ts';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import { SessionEntity } from './entities.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const signIn = (body: unknown) => test.send('POST', '/api/sign-in', body, null);

describe('signing in', () => {
  it('gives a cookie that scripts cannot read and other sites cannot send', async () => {
    const answer = await signIn({ email: 'Mara@OsierBridge.example', password: DEMO_TEACHER.password });
    expect(answer.status).toBe(200);
    const cookie = answer.headers.get('set-cookie') ?? '';
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    const me = await test.send('GET', '/api/session', undefined, cookie.split(';')[0]);
    expect(await me.json()).toMatchObject({
      name: 'Mara Tillen',
      email: DEMO_TEACHER.email,
      school: 'Osier Bridge School',
      role: 'owner',
      timeZone: 'Europe/London',
    });
  });

  it('says the same for a wrong password and an unknown e-mail', async () => {
    const wrong = await signIn({ email: DEMO_TEACHER.email, password: 'guess' });
    const unknown = await signIn({ email: 'nobody@osierbridge.example', password: 'guess' });
    expect([wrong.status, unknown.status]).toEqual([401, 401]);
    expect(await wrong.json()).toEqual(await unknown.json());
  });

  it('counts tries while another device wipes them by signing in', async () => {
    const who = { key: 'account of many', address: '' };
    const { countTry, forgetTries } = test.limits;
    const tries = Array.from({ length: 120 }, async (_, index) => (index % 2 === 0 ? countTry(who) : forgetTries(who)));
    const broken = (await Promise.allSettled(tries)).filter(
      (result) => result.status === 'rejected' && !(result.reason instanceof Problem),
    );
    expect(broken).toEqual([]);
  });

  it('names the field that is wrong', async () => {
    const answer = await signIn({ email: 'mara' });
    expect(answer.status).toBe(400);
    const { error } = (await answer.json()) as Refusal;
    expect(error.code).toBe('wrong-input');
    expect(error.fields).toEqual({ email: { code: 'not-email' }, password: { code: 'missing' } });
  });

  it('keeps no token in the database, and signing out ends the session', async () => {
    const token = test.cookie.split('=')[1]!;
    const rows = await test.orm.em.fork().findAll(SessionEntity);
    expect(JSON.stringify(rows)).not.toContain(token);
    const answer = await signIn({ email: DEMO_TEACHER.email, password: DEMO_TEACHER.password });
    const cookie = answer.headers.get('set-cookie')!.split(';')[0]!;
    expect((await test.send('DELETE', '/api/session', undefined, cookie)).status).toBe(200);
    expect((await test.send('GET', '/api/session', undefined, cookie)).status).toBe(401);
  });

  it('offers the demo account', async () => {
    expect(await (await test.send('GET', '/api/sign-in', undefined, null)).json()).toEqual({
      demo: { email: DEMO_TEACHER.email, password: DEMO_TEACHER.password },
      firstRun: false,
    });
  });
});
