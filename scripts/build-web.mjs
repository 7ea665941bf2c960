/** Builds what a teacher opens, and beside it the practice room, an application of its own that ends up in its folder. */
import { renameSync, rmSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { binary, ROOT, STATE, WEB_BUILD } from './lib/paths.mjs';

function build(config) {
  const child = spawn(binary('vite'), ['build', '--config', config, '--logLevel', 'warn'], { cwd: ROOT });
  let output = '';
  child.stdout.on('data', (text) => (output += text));
  child.stderr.on('data', (text) => (output += text));
  return new Promise((resolve) => child.once('close', (code) => resolve({ code: code ?? 1, output })));
}

const built = await Promise.all(['web/vite.config.ts', 'web/vite.room.config.ts'].map(build));
for (const { code, output } of built) if (code !== 0) process.stderr.write(`${output}\n`);
process.exitCode = built.some(({ code }) => code !== 0) ? 1 : 0;
if (process.exitCode === 0) {
  // The application empties its folder when it is written: only then the room can move in.
  rmSync(join(WEB_BUILD, 'room'), { recursive: true, force: true });
  renameSync(join(STATE, 'room'), join(WEB_BUILD, 'room'));
}
