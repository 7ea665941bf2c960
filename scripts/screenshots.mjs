import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { CHROMIUM, ensureChromium } from './lib/debian.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { binary, ROOT } from './lib/paths.mjs';
import { start } from './lib/processes.mjs';
import { withProduct } from './lib/product.mjs';
import { run } from './lib/say.mjs';

/** Makes docs/screenshots/ anew from a fresh demo. */
await run(async () => {
  ensurePackages();
  ensureChromium();
  const folder = join(ROOT, 'docs', 'screenshots');
  mkdirSync(folder, { recursive: true });
  process.exitCode = await withProduct([], ({ address }) => {
    const env = {
      ...process.env,
      ESCALIER_E2E_ADDRESS: address,
      ESCALIER_E2E_CHROMIUM: CHROMIUM,
      ESCALIER_SCREENSHOTS: folder,
    };
    return start(binary('tsx'), ['e2e/screenshots.ts'], { env }).ended;
  });
});
