import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { webFiles } from './static-files.ts';

const folder = mkdtempSync(join(tmpdir(), 'escalier-web-'));
beforeAll(() => {
  mkdirSync(join(folder, 'room'));
  mkdirSync(join(folder, 'assets'));
  writeFileSync(join(folder, 'index.html'), '<p>the school</p>');
  writeFileSync(join(folder, 'room', 'index.html'), '<p>the room</p>');
  writeFileSync(join(folder, 'assets', 'a-1f2e.js'), 'export {};');
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('the built web', () => {
  it.each([
    ['/', 'the school'],
    ['/classes', 'the school'],
    ['/room/', 'the room'],
    ['/room/tunes', 'the room'],
  ])('asks for the page %s each time', async (path, words) => {
    const answer = await webFiles(folder).request(path);
    expect(await answer.text()).toContain(words);
    expect(answer.headers.get('cache-control')).toBe('no-cache');
  });

  it('keeps for good what has a hash in its name', async () => {
    const answer = await webFiles(folder).request('/assets/a-1f2e.js');
    expect(answer.headers.get('cache-control')).toContain('immutable');
    expect((await webFiles(folder).request('/assets/gone.js')).status).toBe(404);
  });
});
