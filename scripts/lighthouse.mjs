import { CHROMIUM, ensureChromium } from './lib/debian.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { binary } from './lib/paths.mjs';
import { start } from './lib/processes.mjs';
import { withProduct } from './lib/product.mjs';
import { run } from './lib/say.mjs';

/** Lighthouse's judgement of the screens that are opened on a poor network, as JSON lines. */
await run(async () => {
  ensurePackages();
  ensureChromium();
  process.exitCode = await withProduct([], ({ address }) => {
    const env = { ...process.env, ESCALIER_BENCH_ADDRESS: address, ESCALIER_BENCH_CHROMIUM: CHROMIUM };
    return start(binary('tsx'), ['e2e/bench/lighthouse.ts'], { env }).ended;
  });
});
