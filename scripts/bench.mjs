import { existsSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { ensureChromium, ensureDebianPackage, CHROMIUM } from './lib/debian.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { binary, TUNES } from './lib/paths.mjs';
import { ensureDatabase, startTemporaryPostgres } from './lib/postgres.mjs';
import { buildProduct, buildServer, withProduct } from './lib/product.mjs';
import { runShown, stopOnSignals } from './lib/processes.mjs';
import { run } from './lib/say.mjs';

/** One JSON line a benchmark: {name, value, unit, peer, peerValue, ratio}. `--only PATTERN` runs some. */
await run(async () => {
  const { values } = parseArgs({ options: { only: { type: 'string' } } });
  ensurePackages();
  const env = values.only === undefined ? {} : { ESCALIER_BENCH_ONLY: values.only };
  buildProduct();
  const threads = buildServer();
  runShown(binary('tsx'), ['server/bench/core.ts'], { env });
  if ('booklet-page'.includes(values.only ?? 'booklet')) {
    ensureDebianPackage('lilypond', () => existsSync('/usr/bin/lilypond'));
    runShown(binary('tsx'), ['server/bench/booklet.ts'], { env });
  }
  const postgres = await startTemporaryPostgres();
  const stop = stopOnSignals(postgres.stop);
  try {
    ensureDatabase(postgres, 'bench');
    runShown(binary('tsx'), ['server/bench/server.ts'], {
      env: {
        ...env,
        DATABASE_URL: postgres.url('bench'),
        ESCALIER_MIGRATION_URL: postgres.ownerUrl('bench'),
        ESCALIER_DEMO_TUNES: TUNES,
        ESCALIER_THREADS: threads,
      },
    });
  } finally {
    await stop();
  }
  ensureChromium();
  await withProduct([], async ({ address, urls }) => {
    const product = {
      ESCALIER_BENCH_ADDRESS: address,
      DATABASE_URL: urls('product').app,
      ESCALIER_BENCH_CHROMIUM: CHROMIUM,
    };
    runShown(binary('tsx'), ['e2e/bench/screens.ts'], { env: { ...env, ...product } });
  });
});
