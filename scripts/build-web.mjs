/** Builds what a teacher opens, and in its folder the practice room, which is an application of its own. */
import { binary } from './lib/paths.mjs';
import { runQuiet } from './lib/processes.mjs';

for (const config of ['web/vite.config.ts', 'web/vite.room.config.ts']) {
  const result = runQuiet(binary('vite'), ['build', '--config', config, '--logLevel', 'warn']);
  if (result.status !== 0) {
    process.stderr.write(`${result.output}\n`);
    process.exit(1);
  }
}
