import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { CHROMIUM, ensureChromium } from './lib/debian.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { binary, ROOT } from './lib/paths.mjs';
import { ensureDatabase, startTemporaryPostgres } from './lib/postgres.mjs';
import { start, stopOnSignals } from './lib/processes.mjs';
import { buildProduct, startServer } from './lib/product.mjs';
import { run } from './lib/say.mjs';

/** Makes docs/screenshots/ anew from a fresh demo. */
await run(async () => {
  ensurePackages();
  ensureChromium();
  buildProduct();
  const folder = join(ROOT, 'docs', 'screenshots');
  mkdirSync(folder, { recursive: true });
  const postgres = await startTemporaryPostgres();
  let server = null;
  const stop = stopOnSignals(async () => {
    await server?.stop();
    await postgres.stop();
  });
  try {
    ensureDatabase(postgres, 'pictures');
    server = await startServer({ databaseUrl: postgres.url('pictures'), port: 0 });
    const env = {
      ...process.env,
      ESCALIER_E2E_ADDRESS: server.address,
      ESCALIER_E2E_CHROMIUM: CHROMIUM,
      ESCALIER_SCREENSHOTS: folder,
    };
    process.exitCode = await start(binary('tsx'), ['e2e/screenshots.ts'], { env }).ended;
  } finally {
    await stop();
  }
});
