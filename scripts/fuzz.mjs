import { parseArgs } from 'node:util';
import { ensurePackages } from './lib/packages.mjs';
import { binary } from './lib/paths.mjs';
import { startTemporaryPostgres } from './lib/postgres.mjs';
import { start, stopOnSignals } from './lib/processes.mjs';
import { buildServer } from './lib/product.mjs';
import { Refusal, run } from './lib/say.mjs';

const HELP =
  'npm run fuzz -- [--runs 10000] [--seed 7]: spoilt files and bodies, as many of each kind as --runs says, or as ten seconds allow';

/** The fuzzing of `npm test`, as long as one likes; another seed gives other inputs, the same one the same. */
await run(async () => {
  const { values } = parseArgs({ options: { runs: { type: 'string' }, seed: { type: 'string' } } });
  const [runs, seed] = [Number(values.runs ?? 1000), Number(values.seed ?? 7)];
  if (!Number.isInteger(runs) || runs < 1 || !Number.isInteger(seed)) throw new Refusal(HELP);
  ensurePackages();
  const env = { ...process.env, ESCALIER_FUZZ_RUNS: String(runs), ESCALIER_FUZZ_SEED: String(seed) };
  const vitest = (project, more = {}) => {
    const args = ['run', 'fuzz.test', '--project', project, '--reporter=dot', '--disableConsoleIntercept=true'];
    args.push('--testTimeout', '86400000');
    return start(binary('vitest'), args, { env: { ...env, ...more } }).ended;
  };
  const postgres = await startTemporaryPostgres();
  const stop = stopOnSignals(postgres.stop);
  try {
    // Each needs one core: the files are read beside.
    const [files, bodies] = await Promise.all([
      vitest('core'),
      vitest('server', {
        ESCALIER_TEST_POSTGRES: postgres.ownerUrl(''),
        ESCALIER_TEST_POSTGRES_APP: postgres.url(''),
        ESCALIER_THREADS: buildServer(),
      }),
    ]);
    process.exitCode = files === 0 && bodies === 0 ? 0 : 1;
  } finally {
    await stop();
  }
});
