import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { componentPlugins } from './web/vite.plugins.ts';

/** Pure functions leave nothing behind: their files share a worker, and load what they test once. */
const SHARED = { include: ['src/**/*.test.ts'], pool: 'threads', isolate: false, testTimeout: 60_000 } as const;

/** `unit` needs nothing but Node.js; `server` needs the PostgreSQL that `npm test` starts for it. */
export default defineConfig({
  test: {
    // Left to itself it keeps one core free, and half of a small machine is idle.
    maxWorkers: availableParallelism(),
    projects: [
      { test: { name: 'core', root: 'core', ...SHARED } },
      { test: { name: 'paper', root: 'paper', ...SHARED } },
      { test: { name: 'cli', root: 'cli', ...SHARED } },
      { test: { name: 'scripts', root: 'scripts', include: ['lib/*.test.mjs'], testTimeout: 60_000 } },
      {
        plugins: [componentPlugins({ types: false })],
        test: {
          ...{ name: 'web', root: 'web', include: ['src/**/*.test.ts'], environment: 'jsdom' },
          ...{ pool: 'threads', testTimeout: 60_000 },
        },
      },
      {
        test: {
          name: 'server',
          root: 'server',
          include: ['src/**/*.test.ts'],
          globalSetup: [fileURLToPath(new URL('server/src/testing/global-setup.ts', import.meta.url))],
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
