import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readConfig } from './config.ts';
import { timeZone } from '@escalier/contract/fields';
import { newId } from './ids.ts';
import { notFound, wrongInput } from './problem.ts';
import { webFiles } from './static-files.ts';

describe('settings', () => {
  const right = { DATABASE_URL: 'postgres://x@127.0.0.1/y', ESCALIER_DEMO_TUNES: 'demo/tunes' };

  it('have sensible defaults', () => {
    expect(readConfig(right)).toEqual({
      databaseUrl: right.DATABASE_URL,
      migrationUrl: right.DATABASE_URL,
      publicUrl: null,
      trustedProxies: [],
      logFolder: null,
      erasuresFile: null,
      host: '127.0.0.1',
      port: 0,
      demo: true,
      demoSchools: false,
      webFolder: null,
      tunesFolder: 'demo/tunes',
      logLevel: 'error',
    });
  });

  it('give demo schools to nobody but tests on this machine', () => {
    const schools = (more: NodeJS.ProcessEnv) =>
      readConfig({ ...right, ESCALIER_DEMO_SCHOOLS: 'on', ...more }).demoSchools;
    expect(schools({})).toBe(true);
    expect(schools({ ESCALIER_DEMO: 'off' })).toBe(false);
    expect(schools({ ESCALIER_HOST: '0.0.0.0', ESCALIER_DEMO_OPEN: 'on' })).toBe(false);
  });

  it('name what is wrong', () => {
    for (const [wrong, name] of [
      [{ DATABASE_URL: 'mysql://x' }, 'DATABASE_URL'],
      [{ ESCALIER_PORT: '70000' }, 'ESCALIER_PORT'],
      [{ ESCALIER_DEMO: 'maybe' }, 'ESCALIER_DEMO'],
      [{ ESCALIER_PUBLIC_URL: 'music.school.example' }, 'ESCALIER_PUBLIC_URL'],
      [{ ESCALIER_HOST: '0.0.0.0' }, 'The demo school’s password is public'],
    ] as const) {
      expect(() => readConfig({ ...right, ...wrong })).toThrow(name);
    }
  });
});

describe('time zones', () => {
  it('go by every name that they have, and by no other', () => {
    const isZone = (name: string) => timeZone.safeParse(name).success;
    for (const name of [
      'UTC',
      'Europe/London',
      'Asia/Kathmandu',
      'Asia/Katmandu',
      'America/Argentina/Ushuaia',
      'Etc/GMT+5',
    ])
      expect(isZone(name), name).toBe(true);
    for (const name of ['', 'Moon/Crater', '+01:00', 'Europe/', '../etc', 'x'.repeat(100)])
      expect(isZone(name), name).toBe(false);
  });
});

describe('ids and problems', () => {
  it('ids grow with time', () => {
    const ids = Array.from({ length: 50 }, newId);
    expect(ids).toEqual(ids.toSorted());
    expect(new Set(ids).size).toBe(50);
  });

  it('problems have one shape', () => {
    expect(notFound('tune')).toMatchObject({
      status: 404,
      body: { error: { code: 'not-found', message: 'There is no such tune.' } },
    });
    expect(wrongInput({ email: 'missing' }).body.error).toEqual({
      code: 'wrong-input',
      message: 'Not saved: please check email.',
      fields: { email: { code: 'missing' } },
    });
  });
});

describe('the built web', () => {
  let folder: string;
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'escalier-web-'));
    await mkdir(join(folder, 'assets'));
    await writeFile(join(folder, 'index.html'), '<!doctype html><title>Escalier</title>');
    await writeFile(join(folder, 'assets', 'a-123.js'), 'export {}');
  });
  afterAll(() => rm(folder, { recursive: true }));

  it('keeps files with a hash for good, asks for pages each time, and has one page for every address', async () => {
    const web = webFiles(folder);
    const script = await web.request('/assets/a-123.js');
    expect(script.headers.get('cache-control')).toContain('immutable');
    const page = await web.request('/classes/17');
    expect([page.status, page.headers.get('cache-control')]).toEqual([200, 'no-cache']);
    expect(await page.text()).toContain('Escalier');
    expect((await web.request('/assets/gone.js')).status).toBe(404);
    expect((await web.request('/../../etc/passwd')).headers.get('content-type')).toContain('html');
  });

  it('says when it was not built', () => {
    expect(() => webFiles(join(folder, 'nothing'))).toThrow('no built web');
  });
});
