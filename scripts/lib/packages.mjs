import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { runShown } from './processes.mjs';
import { Refusal, say } from './say.mjs';

const STAMP = join(ROOT, 'node_modules', '.escalier-installed');

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  const fits = (major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major > 22;
  if (!fits) throw new Refusal(`Node.js ${process.versions.node} is too old: please install version 20.19 or newer.`);
}

/** Installs what package-lock.json says when node_modules is missing or was made from another lock file. */
export function ensurePackages() {
  checkNode();
  const wanted = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  say('Installing packages (once, about a minute) …');
  runShown('npm', ['ci', '--no-progress', '--loglevel=error'], {
    why: 'The packages could not be installed: please check the connection to the npm registry and start again.',
  });
  writeFileSync(STAMP, wanted);
}
