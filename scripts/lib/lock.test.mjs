import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, it } from 'vitest';

const folder = mkdtempSync(join(tmpdir(), 'escalier-lock-'));
const file = join(folder, 'busy');
afterAll(() => rmSync(folder, { recursive: true }));

/** A command that holds the lock for so long, and says when it begins and ends. */
function command(milliseconds) {
  const module = JSON.stringify(fileURLToPath(new URL('./lock.mjs', import.meta.url)));
  const script = `
    import { alone } from ${module};
    alone('installing packages', () => {
      console.log('begins');
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ${milliseconds});
      console.log('ends');
    }, ${JSON.stringify(file)});`;
  return ['--input-type=module', '--eval', script];
}

describe('one command at a time', () => {
  it('keeps a second one waiting, which says for whom', async () => {
    mkdirSync(folder, { recursive: true });
    const first = spawn(process.execPath, command(1500));
    await once(first.stdout, 'data');
    const second = spawnSync(process.execPath, command(0), { encoding: 'utf8' });
    expect(first.exitCode ?? (await once(first, 'exit'))[0]).toBe(0);
    expect(second.stdout).toContain(`Waiting for another command (process ${first.pid}, installing packages) …`);
    expect(second.stdout.trim().split('\n').slice(1)).toEqual(['begins', 'ends']);
  });

  it('does not wait for one that has died', () => {
    writeFileSync(file, '999999999\ninstalling packages\n');
    const { stdout } = spawnSync(process.execPath, command(0), { encoding: 'utf8' });
    expect(stdout.trim().split('\n')).toEqual(['begins', 'ends']);
  });
});
