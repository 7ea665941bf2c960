import { join } from 'node:path';
import { buildUnlessFresh } from './freshness.mjs';
import { ensurePackages } from './packages.mjs';
import { CLI_BUILD, ROOT } from './paths.mjs';
import { runQuiet } from './processes.mjs';
import { Refusal } from './say.mjs';

const SOURCES = ['messages/src', 'core/src', 'paper/src', 'cli/src', 'scripts/build-cli.mjs', 'package-lock.json'];
/** Sheets need packages that are not in the build. */
const WITH_PACKAGES = new Set(['handout']);

/**
 * The built command line, built anew where its sources have changed. What is said meanwhile goes to the error stream, for
 * the other is the answer.
 * @returns its address, for `import`.
 */
export function ensureCli([command] = []) {
  const log = console.log;
  console.log = console.error;
  try {
    if (WITH_PACKAGES.has(command)) ensurePackages();
    buildUnlessFresh('terminal', CLI_BUILD, SOURCES, () => {
      ensurePackages();
      console.log('Building the terminal (once) …');
      const { status, output } = runQuiet(process.execPath, [join(ROOT, 'scripts', 'build-cli.mjs')]);
      if (status !== 0) throw new Refusal(`The terminal could not be built:\n${output}`);
    });
  } finally {
    console.log = log;
  }
  return CLI_BUILD;
}
