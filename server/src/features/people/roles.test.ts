import { type NewLink, ROLES, type Role } from '@escalier/contract/people';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';

let test: TestApp;
const cookies = {} as Record<Role, string>;
beforeAll(async () => {
  test = await createTestApp();
  for (const role of ROLES) {
    const invited = await test.send('POST', '/api/people/invitations', { name: 'New', role, classIds: [] });
    const { token } = (await invited.json()) as NewLink;
    const account = { name: 'New', email: `${role}@osierbridge.example`, password: 'four plain words here' };
    const joined = await test.send('POST', `/api/invitations/${token}`, account, null);
    cookies[role] = joined.headers.get('set-cookie')!.split(';')[0]!;
  }
});
afterAll(() => test.close());

const ID = '019cb2c5-0000-7000-8000-000000000009';

/** Whether a role is let through to a route; what the route then says does not matter here. */
async function may(role: Role, method: string, path: string): Promise<boolean> {
  const body = method === 'GET' || method === 'DELETE' ? undefined : {};
  const answer = await test.send(method, path.replace(':id', ID), body, cookies[role]);
  // What is sent as it is taken would wait for somebody to take it.
  await answer.body?.cancel();
  return answer.status !== 403;
}

describe('what a role may ask for', () => {
  it.each([
    ['GET', '/api/classes/:id', true],
    ['GET', '/api/classes/:id/steps/2', true],
    ['GET', '/api/classes/:id/records', true],
    ['GET', '/api/classes/:id/knowledge', true],
    ['GET', '/api/notes/:id', true],
    ['GET', '/api/tunes', true],
    ['GET', '/api/school/remarks', true],
    ['GET', '/api/account/sessions', true],
    ['POST', '/api/hearing/events', true],
    ['PUT', '/api/pupils/:id/absence', true],
    ['GET', '/api/classes/:id/pupils', false],
    ['GET', '/api/classes/:id/settings', false],
    ['PUT', '/api/classes/:id/tunes/:id', false],
    ['PUT', '/api/pupils/:id', false],
    ['POST', '/api/tunes', false],
    ['GET', '/api/instruments', false],
    ['GET', '/api/terms', false],
    // What nobody has thought of is closed.
    ['GET', '/api/something-new', false],
  ] as const)('an assistant, %s %s: %s', async (method, path, expected) => {
    expect(await may('assistant', method, path)).toBe(expected);
    expect(await may('teacher', method, path)).toBe(true);
  });

  it.each([
    ['GET', '/api/people', false],
    ['POST', '/api/people/:id/password-link', false],
    ['GET', '/api/archive/tables.zip', false],
    ['GET', '/api/changes', false],
    ['POST', '/api/pupils/:id/erase', false],
    ['PUT', '/api/school', false],
    ['PUT', '/api/school/cautions', true],
    ['PUT', '/api/pupils/:id', true],
    ['POST', '/api/instruments/lend', true],
  ] as const)('a teacher, %s %s: %s', async (method, path, expected) => {
    expect(await may('teacher', method, path)).toBe(expected);
    expect(await may('owner', method, path)).toBe(true);
    expect(await may('assistant', method, path)).toBe(false);
  });
});
