import { join } from 'node:path';
import { CHROMIUM, ensureChromium } from './lib/debian.mjs';
import { ensurePackages, install } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { start } from './lib/processes.mjs';
import { withProduct } from './lib/product.mjs';
import { run } from './lib/say.mjs';

/** Lighthouse's judgement of the screens that are opened on a poor network, as JSON lines. */
await run(async () => {
  ensurePackages();
  install(join(ROOT, 'scripts', 'lighthouse'), 'Installing Lighthouse (once) …');
  ensureChromium();
  process.exitCode = await withProduct([], ({ address }) => {
    const env = { ...process.env, ESCALIER_BENCH_ADDRESS: address, ESCALIER_BENCH_CHROMIUM: CHROMIUM };
    return start(process.execPath, ['scripts/lighthouse/measure.mjs'], { env }).ended;
  });
});
