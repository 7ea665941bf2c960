import { serve } from '@hono/node-server';
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app.ts';
import { DEMO_TEACHER } from '../demo/school.ts';
import { liveRecords } from '../features/hearing/index.ts';
import { createTestApp, TEST_NOW, type TestApp } from '../testing/index.ts';
import { network } from './client.ts';

const PUBLIC = 'https://music.school.example';

let test: TestApp;
let server: ReturnType<typeof serve>;
let proxy: Server;
let address: string;

const portOf = (listening: { address(): string | AddressInfo | null }): number =>
  (listening.address() as AddressInfo).port;

/** As the proxy of a school: it has spoken TLS with the browser, and passes on by plain http who it was. */
beforeAll(async () => {
  test = await createTestApp();
  const live = liveRecords(test.databaseUrl);
  const app = createApp({
    orm: test.orm,
    demo: null,
    webFolder: null,
    fillSchool: () => Promise.resolve(),
    live,
    limits: test.limits,
    network: network(PUBLIC, ['loopback']),
    clock: () => TEST_NOW,
  });
  server = await new Promise((resolve) => {
    const started = serve({ fetch: app.fetch, hostname: '127.0.0.1', port: 0 }, () => resolve(started));
  });
  proxy = createServer((incoming, outgoing) => {
    const headers = { ...incoming.headers, host: 'music.school.example', 'x-forwarded-for': '203.0.113.7' };
    const { method, url } = incoming;
    const onward = request({ port: portOf(server), method, path: url, headers }, (answer) => {
      outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(outgoing);
    });
    incoming.pipe(onward);
  });
  await new Promise<void>((resolve) => proxy.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${portOf(proxy)}`;
});
afterAll(async () => {
  proxy.close();
  server.close();
  await test.close();
});

const send = (method: string, path: string, headers: Record<string, string>, body?: object) =>
  fetch(`${address}${path}`, {
    method,
    headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });

describe('behind a proxy that speaks TLS', () => {
  it('cookies are for https alone, and signing out needs no more than the origin', async () => {
    const door = await send('POST', '/api/sign-in', { origin: PUBLIC }, DEMO_TEACHER);
    expect(door.status).toBe(200);
    const cookies = door.headers.getSetCookie();
    expect(cookies).toHaveLength(2);
    for (const cookie of cookies) expect(cookie).toMatch(/; Secure/);
    const session = { cookie: cookies[0]!.split(';')[0]! };
    expect((await send('GET', '/api/session', session)).status).toBe(200);
    expect((await send('DELETE', '/api/session', { ...session, origin: 'https://evil.example' })).status).toBe(403);
    expect((await send('DELETE', '/api/session', { ...session, origin: PUBLIC })).status).toBe(200);
    expect((await send('GET', '/api/session', session)).status).toBe(401);
  });

  it('guesses are counted by the address that the proxy names', async () => {
    await send('POST', '/api/sign-in', { origin: PUBLIC }, { email: 'a@b.example', password: 'x' });
    const { createHash } = await import('node:crypto');
    const key = `address:${createHash('sha256').update('203.0.113.7').digest('hex')}`;
    const rows = await test.orm.em.fork().execute<unknown[]>('select 1 from rate_limit where key = ?', [key]);
    expect(rows).toHaveLength(1);
  });
});

describe('without a trusted proxy', () => {
  it('nobody names another address than their own', () => {
    const incoming = { socket: { remoteAddress: '198.51.100.4' }, headers: { 'x-forwarded-for': '203.0.113.7' } };
    const context = { env: { incoming } } as never;
    expect(network(null, []).addressOf(context)).toBe('198.51.100.4');
    expect(network(null, ['198.51.100.0/24']).addressOf(context)).toBe('203.0.113.7');
    expect(() => network(null, ['somewhere'])).toThrow();
  });
});
