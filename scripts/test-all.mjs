import { parseArgs } from 'node:util';
import { start } from './lib/processes.mjs';
import { Refusal, run, say } from './lib/say.mjs';

const HELP = `npm run test:all [-- --runs 1000]: what npm test does, and what takes longer:
the demo on a dozen days of the year, and as many spoilt files and bodies of each kind as --runs says`;

/** Everything that can be tried on one machine, one part after the other; ends badly when one of them does. */
await run(async () => {
  const { values } = parseArgs({ options: { runs: { type: 'string' }, help: { type: 'boolean' } } });
  if (values.help === true) return say(HELP);
  const runs = values.runs ?? '1000';
  if (!/^\d+$/.test(runs)) throw new Refusal(HELP);
  const env = { ...process.env, ESCALIER_ALL: 'on' };
  const parts = [
    ['everything of npm test, and the demo on any day', ['scripts/test.mjs']],
    ['spoilt files and bodies', ['scripts/fuzz.mjs', '--runs', runs]],
  ];
  const failed = [];
  for (const [name, args] of parts) {
    say(`\n##### ${name}`);
    if ((await start(process.execPath, args, { env }).ended) !== 0) failed.push(name);
  }
  say(failed.length === 0 ? '\nAll of it passed.' : `\nFailed: ${failed.join('; ')}`);
  process.exitCode = failed.length === 0 ? 0 : 1;
});
