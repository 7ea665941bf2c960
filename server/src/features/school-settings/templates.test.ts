import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { cookieOf, createTestApp, type TestApp } from '../../testing/index.ts';

let test: TestApp;
beforeAll(async () => (test = await createTestApp()));
afterAll(() => test.close());

const NONE = { 'new-note': '', pass: '', recital: '', certificate: '' };

interface Kept {
  readonly templates: Readonly<Record<string, string>>;
  readonly version: number;
}
const read = async (): Promise<Kept> => (await (await test.send('GET', '/api/school/templates')).json()) as Kept;

describe('the school’s own words for letters and certificates', () => {
  it('are empty at first, kept for all teachers, and refused to who saw older ones', async () => {
    const first = await read();
    expect(first.templates).toEqual(NONE);
    const templates = { ...NONE, pass: 'Dear family of {pupil}' };
    expect((await test.send('PUT', '/api/school/templates', { templates, version: first.version })).status).toBe(200);
    expect((await read()).templates).toEqual(templates);
    const late = await test.send('PUT', '/api/school/templates', { templates, version: first.version });
    expect(late.status).toBe(409);
  });

  it('are not for assistants, and have a limit', async () => {
    const assistant = await cookieOf(test, 'sunniva@osierbridge.example');
    expect((await test.send('GET', '/api/school/templates', undefined, assistant)).status).toBe(403);
    const { version } = await read();
    for (const templates of [{ ...NONE, pass: 'x'.repeat(4001) }, { ...NONE, farewell: 'x' }, { pass: 'x' }])
      expect((await test.send('PUT', '/api/school/templates', { templates, version })).status).toBe(400);
  });
});
