import type { Refusal } from '@escalier/contract/refusals';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { AccountEntity } from './features/accounts/index.ts';
import { ClassEntity } from './features/classes/index.ts';
import { SchoolEntity } from './features/schools/index.ts';
import { hashPassword } from './features/sign-in/index.ts';
import { TuneEntity } from './features/tunes/index.ts';
import { newId } from './platform/ids.ts';
import { createTestApp, signedIn, type TestApp } from './testing/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

/** Every route of the API as registered, with ids that look right. */
function routes(id: string): readonly { readonly method: string; readonly path: string }[] {
  const seen = new Map<string, { method: string; path: string }>();
  for (const { method, path } of test.app.routes) {
    if (method === 'ALL' || !path.startsWith('/api/')) continue;
    const filled = path
      .replace(':id', id)
      .replace(':position', '1')
      .replace(':tuneId', newId())
      .replace(':token', NO_TOKEN);
    seen.set(`${method} ${filled}`, { method, path: filled });
  }
  return [...seen.values()];
}

const NO_TOKEN = 'x'.repeat(43);
const OPEN = new Set([
  `GET /api/calendars/${NO_TOKEN}`,
  `GET /api/invitations/${NO_TOKEN}`,
  `POST /api/invitations/${NO_TOKEN}`,
  'POST /api/first-run',
  'GET /api/health',
  'GET /api/openapi.json',
  'POST /api/room/words',
  'GET /api/sign-in',
  'POST /api/sign-in',
]);

describe('as a stranger', () => {
  it('every route but signing in and health asks for a session', async () => {
    const found = routes(newId());
    expect(found.length).toBeGreaterThanOrEqual(9);
    for (const { method, path } of found) {
      const answer = await test.send(method, path, method === 'GET' ? undefined : {}, null);
      const isOpen = OPEN.has(`${method} ${path}`);
      expect(answer.status === 401, `${method} ${path} gave ${answer.status}`).toBe(!isOpen);
    }
  });

  it('nothing of a body is read before it is known who sends it, and too much by who is known neither', async () => {
    const pulled = async (path: string, headers: Record<string, string>) => {
      let pieces = 0;
      const body = new ReadableStream({
        pull(controller) {
          pieces += 1;
          controller.enqueue(new Uint8Array(64 * 1024));
        },
      });
      const init = {
        method: 'POST',
        body,
        duplex: 'half',
        headers: { 'content-type': 'application/json', ...headers },
      };
      const answer = await test.app.request(path, init as RequestInit);
      return { status: answer.status, pieces };
    };
    for (const path of ['/api/archive', '/api/tunes', '/api/hearing/events']) {
      const { status, pieces } = await pulled(path, {});
      expect(status).toBe(401);
      expect(pieces).toBeLessThanOrEqual(1);
    }
    const teacher = { cookie: test.cookie };
    const usual = await pulled('/api/instruments', teacher);
    expect(usual.status).toBe(413);
    expect(usual.pieces).toBeLessThan(20);
    expect((await pulled('/api/tunes', teacher)).status).toBe(413);
    expect((await pulled('/api/sign-in', {})).pieces).toBeLessThan(3);
  });

  it('a write that another site sends is refused, whatever it carries', async () => {
    const write = (headers: Record<string, string>, method = 'PUT') =>
      test.app.request('/api/school/rooms', {
        method,
        headers: { cookie: test.cookie, 'content-type': 'application/json', ...headers },
        ...(method === 'GET' ? {} : { body: JSON.stringify({ allowed: true }) }),
      });
    expect((await write({ origin: 'https://evil.example' })).status).toBe(403);
    expect((await write({ origin: 'null' })).status).toBe(403);
    expect((await write({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await write({ origin: 'http://localhost' })).status).toBe(200);
    expect((await write({ 'sec-fetch-site': 'same-origin' })).status).toBe(200);
    expect((await write({ origin: 'https://evil.example' }, 'GET')).status).toBe(200);
  });

  it('only Escalier’s own pages may ask for the microphone, and nobody for the camera', async () => {
    const policy = (await test.send('GET', '/api/health')).headers.get('permissions-policy') ?? '';
    expect(policy).toContain('microphone=(self)');
    expect(policy).toContain('camera=()');
  });

  it('the key that seals what is unsent comes apart from the session, which a browser keeps', async () => {
    const session = await (await test.send('GET', '/api/session')).text();
    const seal = await test.send('GET', '/api/session/seal');
    const { key } = (await seal.json()) as { key: string };
    expect(key).toMatch(/^[\w-]{43}$/);
    expect(session).not.toContain(key);
    expect(seal.headers.get('cache-control')).toBe('no-store');
  });

  it('an address that is not there asks for a session too, and a forged cookie opens nothing', async () => {
    expect((await test.send('GET', '/api/nothing', undefined, null)).status).toBe(401);
    expect((await test.send('GET', '/api/classes', undefined, 'escalier_session=abc')).status).toBe(401);
  });
});

describe('as a teacher of another school', () => {
  it('no route shows or takes anything of this school', async () => {
    const em = test.orm.em.fork();
    const school = newId();
    const account = { email: 'other@elsewhere.example', password: 'a-long-password' };
    await em.insert(SchoolEntity, { id: school, name: 'Elsewhere', timeZone: 'Europe/Lisbon' });
    const passwordHash = await hashPassword(account.password);
    await em.insert(AccountEntity, {
      id: newId(),
      school,
      email: account.email,
      name: 'Other',
      passwordHash,
      role: 'owner',
      sealKey: '',
    });
    const other = await signedIn((body) => test.send('POST', '/api/sign-in', body, null), account);
    const [ours] = await em.findAll(ClassEntity);
    expect(await (await test.send('GET', '/api/classes', undefined, other)).json()).toEqual([]);
    for (const { method, path } of routes(ours!.id).filter((route) => route.path.includes(ours!.id))) {
      const answer = await test.send(method, path, method === 'GET' ? undefined : {}, other);
      // A session opens nothing behind a pupil's door.
      const refused = path.startsWith('/api/room/') ? [401] : method === 'GET' ? [404] : [400, 404];
      expect(refused, `${method} ${path}`).toContain(answer.status);
    }
    const [tune] = await em.findAll(TuneEntity);
    const body = { abc: tune!.abc, version: 1 };
    const staircase = await (await test.send('GET', `/api/staircases/${ours!.staircase}`)).json();
    for (const [method, path, sent] of [
      ['GET', `/api/tunes/${tune!.id}`, undefined],
      ['PUT', `/api/tunes/${tune!.id}`, body],
      ['DELETE', `/api/tunes/${tune!.id}`, undefined],
      ['GET', `/api/staircases/${ours!.staircase}`, undefined],
      ['PUT', `/api/staircases/${ours!.staircase}`, staircase],
      ['DELETE', `/api/staircases/${ours!.staircase}`, undefined],
      ['PUT', `/api/classes/${ours!.id}/staircase`, { staircaseId: ours!.staircase, version: 1 }],
      ['PUT', `/api/calendar/${ours!.id}/lost`, { date: '2026-03-03', reason: '', isLost: true }],
      ['PUT', `/api/classes/${ours!.id}/tunes/${tune!.id}`, { breathSeconds: 6, breaths: null, version: 0 }],
    ] as const) {
      expect((await test.send(method, path, sent, other)).status, `${method} ${path}`).toBe(404);
    }
  });
});

describe('a small text that stands for very much', () => {
  it.each([
    ['bars of rest', 'Z9999999|CDEF|]'],
    ['overlays', `${'CDEF&'.repeat(9000)}CDEF|]`],
    ['voices', Array.from({ length: 3000 }, (_, voice) => `V:${voice}\nCDEF|`).join('\n')],
  ])('is refused in a sentence, and others are answered meanwhile: %s', async (_, music) => {
    const abc = `X:1\nT:Too much\nM:4/4\nL:1/4\nK:C\n${music}`;
    const [tune, health] = await Promise.all([
      test.send('POST', '/api/tunes', { abc }),
      test.send('GET', '/api/health', undefined, null),
    ]);
    expect([tune.status, health.status]).toEqual([400, 200]);
    expect(((await tune.json()) as Refusal).error.fields?.abc).toEqual({
      code: 'file',
      words: expect.stringMatching(/the limit is \d+\.$/) as string,
    });
  });

  it('a calendar that never ends, and a term of ten thousand years', async () => {
    const [term] = (await (await test.send('GET', '/api/terms')).json()) as Record<string, unknown>[];
    const event = 'DTSTART;VALUE=DATE:20260302\r\nRRULE:FREQ=WEEKLY;INTERVAL=2147483648';
    const ics = `BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n${event}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;
    const path = `/api/terms/${String(term!.id)}`;
    const read = await test.send('POST', `${path}/holidays`, { ics });
    expect(((await read.json()) as { leftOut: string[] }).leftOut[0]).toContain('repeats in a way');
    const ages = await test.send('PUT', path, { ...term, startsOn: '0001-01-01', endsOn: '9999-12-31' });
    expect(ages.status).toBe(400);
  });
});

describe('errors', () => {
  it('have one shape, and unknown things are 404', async () => {
    for (const path of ['/api/nothing', `/api/classes/${newId()}`, '/api/classes/17', '/nothing']) {
      const answer = await test.send('GET', path);
      expect(answer.status, path).toBe(404);
      const { error } = (await answer.json()) as Refusal;
      expect(error).toMatchObject({ code: 'not-found', message: expect.stringContaining('no such') as string });
    }
  });

  it('broken JSON, too much and another origin are refused in a sentence', async () => {
    const raw = (body: string, headers: Record<string, string> = {}) =>
      test.app.request('/api/sign-in', {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json', ...headers },
      });
    expect((await raw('{')).status).toBe(400);
    expect((await raw(`"${'x'.repeat(2_000_000)}"`, { 'content-length': '2000002' })).status).toBe(413);
    const form = await raw('a=b', { 'content-type': 'text/plain', origin: 'https://evil.example' });
    expect(form.status).toBe(403);
    expect(((await form.json()) as Refusal).error.code).toBe('wrong-origin');
  });
});

it('sends the headers that keep scripts and frames of others out', async () => {
  const { headers } = await test.send('GET', '/api/health');
  expect(headers.get('content-security-policy')).toContain("default-src 'self'");
  expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'");
  expect(headers.get('x-content-type-options')).toBe('nosniff');
});
