import { ensurePackages } from './lib/packages.mjs';
import { binary } from './lib/paths.mjs';
import { start } from './lib/processes.mjs';
import { run } from './lib/say.mjs';

/** The core at a terminal. Runs where the person stands, so that file names mean what they say. */
await run(async () => {
  ensurePackages();
  const options = { cwd: process.env.INIT_CWD ?? process.cwd() };
  process.exitCode = await start(
    binary('tsx'),
    [new URL('../cli/src/main.ts', import.meta.url).pathname, ...process.argv.slice(2)],
    options,
  ).ended;
});
