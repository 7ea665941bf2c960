import type { ChangeLine } from '@escalier/contract/changes';
import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { Me, NewLink, People, SessionLine } from '@escalier/contract/people';
import type { Refusal } from '@escalier/contract/refusals';
import { addDays, addMinutes } from 'date-fns';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { DEMO_TEACHER } from '../../demo/school.ts';
import { createTestApp, TEST_NOW, type TestApp } from '../../testing/index.ts';

let test: TestApp;
let classes: readonly ClassSummary[];
beforeAll(async () => {
  test = await createTestApp();
  classes = await get<ClassSummary[]>('/api/classes');
});
afterAll(() => test.close());

const PASSWORD = 'four plain words here';

async function get<Body>(path: string, cookie?: string): Promise<Body> {
  const answer = await test.send('GET', path, undefined, cookie);
  expect(answer.status, path).toBe(200);
  return (await answer.json()) as Body;
}

async function refused(answer: Response): Promise<Refusal['error']> {
  expect(answer.ok).toBe(false);
  return ((await answer.json()) as Refusal).error;
}

async function link(input: object): Promise<string> {
  const answer = await test.send('POST', '/api/people/invitations', { name: 'New', classIds: [], ...input });
  expect(answer.status).toBe(201);
  return ((await answer.json()) as NewLink).token;
}

/** Comes by invitation; gives the cookie. */
async function join(email: string, input: object): Promise<string> {
  const token = await link(input);
  const answer = await accept(token, email);
  expect(answer.status).toBe(201);
  return answer.headers.get('set-cookie')!.split(';')[0]!;
}

function accept(token: string, email: string, password = PASSWORD): Promise<Response> {
  return test.send('POST', `/api/invitations/${token}`, { name: 'New', email, password }, null);
}

const classNamed = (name: string): ClassSummary => classes.find((each) => each.name === name)!;
const personNamed = async (email: string) =>
  (await get<People>('/api/people')).people.find((person) => person.email === email)!;

async function recordedBy(cookie: string, event: object): Promise<unknown> {
  const body = { sentAt: TEST_NOW.toISOString(), events: [event] };
  const answer = await test.send('POST', '/api/hearing/events', body, cookie);
  return ((await answer.json()) as { results: readonly unknown[] }).results[0];
}

describe('an invitation', () => {
  it('lets somebody make an account once, for the classes it names', async () => {
    const token = await link({ name: 'Tove', role: 'teacher', classIds: [classNamed('4 Otter').id] });
    expect(await get(`/api/invitations/${token}`, '')).toMatchObject({
      school: 'Osier Bridge School',
      name: 'Tove',
      role: 'teacher',
      email: null,
    });
    const [first, second] = await Promise.all([
      accept(token, 'tove@osierbridge.example'),
      accept(token, 'tove2@osierbridge.example'),
    ]);
    expect([first.status, second.status].toSorted()).toEqual([201, 404]);
    const cookie = (first.ok ? first : second).headers.get('set-cookie')!.split(';')[0]!;
    expect((await get<Me>('/api/session', cookie)).role).toBe('teacher');
    expect((await get<ClassSummary[]>('/api/classes', cookie)).map((each) => each.name)).toEqual(['4 Otter']);
  });

  it('is nothing without a good password, with an e-mail that is taken, when withdrawn, or after a week', async () => {
    const token = await link({ role: 'assistant' });
    for (const [email, password, field] of [
      ['new@osierbridge.example', 'short', 'password'],
      ['new@osierbridge.example', 'aaaaaaaaaaaaaa', 'password'],
      [DEMO_TEACHER.email, PASSWORD, 'email'],
    ] as const) {
      const { fields } = await refused(await accept(token, email, password));
      expect(Object.keys(fields ?? {})).toEqual([field]);
    }
    const { invitations } = await get<People>('/api/people');
    const { id } = invitations.at(-1)!;
    expect((await test.send('DELETE', `/api/people/invitations/${id}`)).status).toBe(200);
    expect((await accept(token, 'new@osierbridge.example')).status).toBe(404);
    const late = await link({ role: 'assistant' });
    test.setNow(addDays(TEST_NOW, 8));
    expect((await refused(await accept(late, 'new@osierbridge.example'))).message).toContain('ask for a new one');
    test.setNow(TEST_NOW);
  });
});

describe('roles', () => {
  it('an assistant hears the pupils of the named classes, and can do nothing else', async () => {
    const plover = classNamed('4 Plover');
    const cookie = await join('asha@osierbridge.example', { role: 'assistant', classIds: [plover.id] });
    expect((await get<ClassSummary[]>('/api/classes', cookie)).map((each) => each.name)).toEqual(['4 Plover']);
    const page = await get<ClassPage>(`/api/classes/${plover.id}`, cookie);
    const event = {
      kind: 'heard',
      id: '019cb2c5-0000-7000-8000-000000000001',
      pupilId: page.pupils[0]!.id,
      stepId: page.steps[0]!.id,
      outcome: 'nearly',
      remarks: [],
      heardAt: TEST_NOW.toISOString(),
    };
    expect(await recordedBy(cookie, event)).toMatchObject({ stored: true });
    for (const [method, path] of [
      ['GET', `/api/classes/${plover.id}/pupils`],
      ['GET', `/api/classes/${plover.id}/settings`],
      ['PUT', `/api/pupils/${page.pupils[0]!.id}`],
      ['PUT', '/api/school/cautions'],
      ['GET', '/api/people'],
      ['GET', '/api/instruments'],
      ['POST', '/api/tunes'],
    ] as const) {
      const answer = await test.send(method, path, method === 'GET' ? undefined : {}, cookie);
      expect(answer.status, `${method} ${path}`).toBe(403);
    }
    const otter = classNamed('4 Otter');
    expect((await test.send('GET', `/api/classes/${otter.id}`, undefined, cookie)).status).toBe(404);
    const others = await get<ClassPage>(`/api/classes/${otter.id}`);
    const theirs = { ...event, id: '019cb2c5-0000-7000-8000-000000000002', pupilId: others.pupils[0]!.id };
    expect(await recordedBy(cookie, theirs)).toMatchObject({ refused: 'There is no such pupil in your classes.' });
  });

  it('a teacher opens the own classes and those made, not those of others, and no desk of the owner', async () => {
    const cookie = await join('runa@osierbridge.example', { role: 'teacher', classIds: [] });
    expect(await get('/api/classes', cookie)).toEqual([]);
    const plover = classNamed('4 Plover').id;
    for (const path of [`/api/classes/${plover}/settings`, `/api/classes/${plover}/pupils`, `/api/calendar/${plover}`])
      expect((await test.send('GET', path, undefined, cookie)).status, path).toBe(404);
    expect((await test.send('GET', '/api/people', undefined, cookie)).status).toBe(403);
    const { id: _id, ...settings } = await get<{ id: string }>(`/api/classes/${plover}/settings`);
    const made = await test.send('POST', '/api/classes', { ...settings, name: '5 Heron' }, cookie);
    expect(made.status).toBe(201);
    expect((await get<ClassSummary[]>('/api/classes', cookie)).map((each) => each.name)).toEqual(['5 Heron']);
  });

  it('closing an account ends its sessions at once; the school keeps an owner', async () => {
    const cookie = await join('ola@osierbridge.example', { role: 'teacher' });
    const { id } = await personNamed('ola@osierbridge.example');
    const closing = { role: 'teacher', classIds: [], closed: true, version: 1 };
    expect((await test.send('PUT', `/api/people/${id}`, closing)).status).toBe(200);
    expect((await test.send('GET', '/api/session', undefined, cookie)).status).toBe(401);
    const again = await test.send(
      'POST',
      '/api/sign-in',
      { email: 'ola@osierbridge.example', password: PASSWORD },
      null,
    );
    expect(again.status).toBe(401);
    const mara = await personNamed(DEMO_TEACHER.email);
    const { fields } = await refused(await test.send('PUT', `/api/people/${mara.id}`, closing));
    expect(fields?.role).toMatchObject({ code: 'only-owner' });
  });
});

describe('passwords and sessions', () => {
  it('a forgotten password is renewed by a link of the owner, which ends the old sessions', async () => {
    const cookie = await join('ines@osierbridge.example', { role: 'teacher' });
    const { id } = await personNamed('ines@osierbridge.example');
    const made = await test.send('POST', `/api/people/${id}/password-link`, {});
    const { token } = (await made.json()) as NewLink;
    expect((await accept(token, 'ines@osierbridge.example', 'another plain phrase')).status).toBe(201);
    expect((await test.send('GET', '/api/session', undefined, cookie)).status).toBe(401);
    const email = 'ines@osierbridge.example';
    expect((await test.send('POST', '/api/sign-in', { email, password: PASSWORD }, null)).status).toBe(401);
    const renewed = await test.send('POST', '/api/sign-in', { email, password: 'another plain phrase' }, null);
    expect(renewed.status).toBe(200);
  });

  it('a second link to the same password is useless as soon as the first was used, and the list says so', async () => {
    await join('two-links@osierbridge.example', { role: 'teacher' });
    const { id } = await personNamed('two-links@osierbridge.example');
    const link = async () => {
      const made = await test.send('POST', `/api/people/${id}/password-link`, {});
      return ((await made.json()) as { token: string }).token;
    };
    const [first, second] = [await link(), await link()];
    // The newer link replaces the older one; and using it leaves none.
    expect((await accept(first, 'two-links@osierbridge.example', 'another plain phrase')).status).toBe(404);
    expect((await accept(second, 'two-links@osierbridge.example', 'another plain phrase')).status).toBe(201);
    expect((await accept(second, 'two-links@osierbridge.example', 'a third plain phrase')).status).toBe(404);
    const codes = (await get<ChangeLine[]>('/api/changes')).map((line) => line.what.code);
    expect(codes).toContain('password-set-by-link');
    expect(codes).toContain('signed-in');
  });

  it.each([
    ['short', 'only eleven'],
    ['of a list', 'password1234'],
    ['of a pattern', 'abcabcabcabcabc'],
    ['the e-mail', 'strong@osierbridge.example'],
    ['the school', 'Osier Bridge School'],
  ])('a password that is easy to guess is refused: %s', async (_, password) => {
    const made = await test.send('POST', '/api/people/invitations', { name: 'New', role: 'teacher', classIds: [] });
    const { token } = (await made.json()) as { token: string };
    const { fields } = await refused(await accept(token, 'strong@osierbridge.example', password));
    expect(fields?.password).toBeDefined();
  });

  it('sessions are listed and ended; a new password ends all others', async () => {
    const email = 'siri@osierbridge.example';
    const here = await join(email, { role: 'teacher' });
    const elsewhere = async (): Promise<string> =>
      (await test.send('POST', '/api/sign-in', { email, password: PASSWORD }, null)).headers
        .get('set-cookie')!
        .split(';')[0]!;
    const [lost, other] = [await elsewhere(), await elsewhere()];
    const sessions = await get<SessionLine[]>('/api/account/sessions', lost);
    expect(sessions).toHaveLength(3);
    const { id } = sessions.find((session) => session.here)!;
    expect((await test.send('DELETE', `/api/account/sessions/${id}`, undefined, here)).status).toBe(200);
    expect((await test.send('GET', '/api/session', undefined, lost)).status).toBe(401);
    const change = (current: string) =>
      test.send('PUT', '/api/account/password', { current, next: 'another plain phrase' }, here);
    expect((await refused(await change('not mine'))).fields).toEqual({ current: { code: 'not-password' } });
    expect((await change(PASSWORD)).status).toBe(200);
    expect((await test.send('GET', '/api/session', undefined, other)).status).toBe(401);
    expect((await test.send('GET', '/api/session', undefined, here)).status).toBe(200);
    const mine = await get<SessionLine[]>('/api/account/sessions', here);
    const foreign = await test.send('DELETE', `/api/account/sessions/${mine[0]!.id}`);
    expect(foreign.status).toBe(404);
  });

  const attempt = (email: string, password = 'guess', cookie: string | null = null) =>
    test.send('POST', '/api/sign-in', { email, password }, cookie);

  it('of guesses at one moment five are tried, and most are not even let in', async () => {
    const answers = await Promise.all(Array.from({ length: 60 }, () => attempt('nobody@osierbridge.example')));
    const of = (status: number) => answers.filter((answer) => answer.status === status);
    expect(of(401)).toHaveLength(5);
    expect(of(401).length + of(429).length + of(503).length).toBe(60);
    expect(of(503).length).toBeGreaterThan(40);
    expect(of(503)[0]!.headers.get('retry-after')).toBe('2');
    expect((await refused(of(429)[0]!)).message).toMatch(/wait \d+ seconds/);
  });

  it('after wrong passwords one has to wait, longer each time, until it is quiet for half an hour', async () => {
    const email = 'someone@osierbridge.example';
    for (let guess = 0; guess < 5; guess++) expect((await attempt(email)).status).toBe(401);
    expect((await attempt(email)).status).toBe(429);
    const start = Date.now();
    const after = (minutes: number) => vi.useFakeTimers({ toFake: ['Date'], now: addMinutes(start, minutes) });
    after(1);
    for (let guess = 0; guess < 5; guess++) expect((await attempt(email)).status).toBe(401);
    expect((await attempt(email)).headers.get('retry-after')).toBe('60');
    after(60);
    expect([await attempt(email), await attempt(email)].map((answer) => answer.status)).toEqual([401, 401]);
    vi.useRealTimers();
  });

  it('a device that was signed in before is not slowed down by strangers who guess', async () => {
    const door = await attempt(DEMO_TEACHER.email, DEMO_TEACHER.password);
    const device = door.headers
      .getSetCookie()
      .find((cookie) => cookie.startsWith('escalier_device='))!
      .split(';')[0]!;
    for (let guess = 0; guess < 6; guess++) await attempt(DEMO_TEACHER.email);
    expect((await attempt(DEMO_TEACHER.email, DEMO_TEACHER.password)).status).toBe(429);
    expect((await attempt(DEMO_TEACHER.email, DEMO_TEACHER.password, device)).status).toBe(200);
    // Nor by a crowd that makes up the cookie of a device.
    const crowd = Array.from({ length: 40 }, (_, number) =>
      attempt(`stranger${number}@osierbridge.example`, 'guess', `escalier_device=${'x'.repeat(42)}${number % 10}`),
    );
    expect((await attempt(DEMO_TEACHER.email, DEMO_TEACHER.password, device)).status).toBe(200);
    await Promise.all(crowd);
    // Its own guesses are counted all the same.
    for (let guess = 0; guess < 5; guess++) await attempt(DEMO_TEACHER.email, 'guess', device);
    expect((await attempt(DEMO_TEACHER.email, DEMO_TEACHER.password, device)).status).toBe(429);
  });
});

it('says who changed what, the latest first', async () => {
  const read = await get<{ cautions: readonly object[]; version: number }>('/api/school/cautions');
  await test.send('PUT', '/api/school/cautions', read);
  const [latest] = await get<ChangeLine[]>('/api/changes');
  expect(latest).toMatchObject({ who: 'Mara Tillen', what: { code: 'cautions-changed' } });
});

it('the school gets another name and another clock', async () => {
  const put = async (body: object) => {
    const { schoolVersion: version, english } = await get<Me>('/api/session');
    return test.send('PUT', '/api/school', { version, english, ...body });
  };
  expect((await refused(await put({ name: '', timeZone: 'Moon/Crater' }))).fields).toEqual({
    name: { code: 'missing' },
    timeZone: { code: 'not-zone' },
  });
  expect((await put({ name: 'Osier School', timeZone: 'Europe/Oslo' })).status).toBe(200);
  expect(await get<Me>('/api/session')).toMatchObject({ school: 'Osier School', timeZone: 'Europe/Oslo' });
  const [latest] = await get<ChangeLine[]>('/api/changes');
  expect(latest!.what).toEqual({ code: 'school-changed', fields: ['name', 'timeZone'] });
  const english = { locale: 'en-US', pupils: 'student' };
  await put({ name: 'Osier Bridge School', timeZone: 'Europe/London', english });
  expect(await get<Me>('/api/session')).toMatchObject({ english });
  const odd = { name: 'Osier Bridge School', timeZone: 'Europe/London', english: { locale: 'xx', pupils: 'pupil' } };
  expect((await put(odd)).status).toBe(400);
});

describe('the first run', () => {
  const first = { school: 'Hill School', timeZone: 'Europe/Oslo', name: 'Eir', email: 'eir@hill.example' };

  it('sets up a school with tunes and staircases, once, and signs its owner in', async () => {
    const fresh = await createTestApp({ empty: true });
    const code = await fresh.setupCode();
    const post = (body: object) =>
      fresh.send('POST', '/api/first-run', { ...first, code, password: PASSWORD, ...body }, null);
    expect(await (await fresh.send('GET', '/api/sign-in', undefined, null)).json()).toMatchObject({ firstRun: true });
    const wrong = await refused(await post({ timeZone: 'Moon/Crater', password: 'short' }));
    expect(Object.keys(wrong.fields ?? {}).toSorted()).toEqual(['password', 'timeZone']);
    const guess = await refused(await post({ code: 'AAAA-AAAA' }));
    expect(guess.fields?.code).toEqual({ code: 'wrong-code' });
    const both = await Promise.all([post({}), post({ school: 'Other', email: 'other@hill.example' })]);
    expect(both.map((answer) => answer.status).toSorted()).toEqual([201, 409]);
    const cookie = both
      .find((answer) => answer.ok)!
      .headers.get('set-cookie')!
      .split(';')[0]!;
    const me = (await (await fresh.send('GET', '/api/session', undefined, cookie)).json()) as Me;
    expect(me.role).toBe('owner');
    const stairs = (await (await fresh.send('GET', '/api/staircases', undefined, cookie)).json()) as object[];
    expect(stairs).toHaveLength(7);
    await fresh.close();
  });
});
