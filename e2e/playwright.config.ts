import { defineConfig } from '@playwright/test';

const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** `npm run test:e2e` builds and starts what these tests drive. */
export default defineConfig({
  testDir: '.',
  outputDir: 'results',
  workers: Number(process.env.ESCALIER_E2E_WORKERS ?? 1),
  // What kills, starts again or plays for minutes takes longer than it often finds something: `npm run test:all`.
  grepInvert: process.env.ESCALIER_ALL === 'on' ? /^$/ : /@long/,
  // A machine that is busy with something else drops sound: then it plays once more, and the end of the run says so.
  retries: 1,
  // No test asserts on time; a slow machine only takes longer.
  timeout: 480_000,
  expect: { timeout: 90_000 },
  reporter: [['list'], ['json']],
  use: {
    baseURL: process.env.ESCALIER_E2E_ADDRESS ?? 'http://127.0.0.1:4180',
    viewport: { width: 1280, height: 800 },
    // As long as what is expected is waited for.
    actionTimeout: 90_000,
    // What fades and slides is looked at by hand; here it would only be waited for.
    contextOptions: { reducedMotion: 'reduce' },
    // Recording every step takes as long as the steps: `ESCALIER_TRACE=1 npm run test:e2e` records them.
    trace: process.env.ESCALIER_TRACE === undefined ? 'off' : 'retain-on-failure',
    // Only never-lost.spec.ts lets it work: it would answer for a server that a test takes away.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.ESCALIER_E2E_CHROMIUM ?? '/usr/bin/chromium',
      args: CHROMIUM_FLAGS,
    },
  },
});
