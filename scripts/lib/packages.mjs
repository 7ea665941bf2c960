import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { alone } from './lock.mjs';
import { ROOT } from './paths.mjs';
import { runShown } from './processes.mjs';
import { Refusal, say } from './say.mjs';

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  const fits = (major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major > 22;
  if (!fits) throw new Refusal(`Node.js ${process.versions.node} is too old: please install version 20.19 or newer.`);
}

const readLock = (file) => JSON.parse(readFileSync(file, 'utf8')).packages;

/**
 * Whether node_modules holds what a lock file asks for. npm writes its own list when it has finished: an install that was
 * broken off has none, and one by hand counts as any other.
 * @param root the folder with package-lock.json.
 */
export function isInstalled(root = ROOT) {
  const made = join(root, 'node_modules', '.package-lock.json');
  if (!existsSync(made)) return false;
  const installed = readLock(made);
  return Object.entries(readLock(join(root, 'package-lock.json'))).every(
    ([path, { version, link, optional, devOptional, peer }]) =>
      // npm leaves out what another system or nobody needs.
      !path.startsWith('node_modules/') ||
      optional ||
      devOptional ||
      peer ||
      installed[path]?.version === version ||
      (link && path in installed),
  );
}

/** Installs what package-lock.json says, unless it is there. */
export function ensurePackages() {
  checkNode();
  install(ROOT, 'Installing packages (once, about a minute) …');
}

/**
 * Installs what the lock file of a folder says, unless it is there.
 * @param saying the sentence that tells it.
 */
export function install(root, saying) {
  if (isInstalled(root)) return;
  alone('installing packages', () => {
    if (isInstalled(root)) return;
    say(saying);
    runShown('npm', ['ci', '--prefix', root, '--no-progress', '--no-audit', '--loglevel=error', '--prefer-offline'], {
      why: 'The packages could not be installed: please check the connection to the npm registry and start again.',
    });
  });
}
