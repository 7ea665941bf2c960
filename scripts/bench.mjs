import { parseArgs } from 'node:util';
import { ensurePackages } from './lib/packages.mjs';
import { binary } from './lib/paths.mjs';
import { ensureDatabase, startTemporaryPostgres } from './lib/postgres.mjs';
import { runShown, stopOnSignals } from './lib/processes.mjs';
import { run } from './lib/say.mjs';

/** One JSON line a benchmark: {name, value, unit, peer, peerValue, ratio}. `--only PATTERN` runs some. */
await run(async () => {
  const { values } = parseArgs({ options: { only: { type: 'string' } } });
  ensurePackages();
  const env = values.only === undefined ? {} : { ESCALIER_BENCH_ONLY: values.only };
  runShown(binary('tsx'), ['server/bench/core.ts'], { env });
  const postgres = await startTemporaryPostgres();
  const stop = stopOnSignals(postgres.stop);
  try {
    ensureDatabase(postgres, 'bench');
    runShown(binary('tsx'), ['server/bench/server.ts'], { env: { ...env, DATABASE_URL: postgres.url('bench') } });
  } finally {
    await stop();
  }
});
