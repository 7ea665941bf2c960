import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { componentPlugins } from './web/vite.plugins.ts';

/** `unit` needs nothing but Node.js; `server` needs the PostgreSQL that `npm test` starts for it. */
export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', root: 'core', include: ['src/**/*.test.ts'], testTimeout: 60_000 } },
      { test: { name: 'paper', root: 'paper', include: ['src/**/*.test.ts'], testTimeout: 60_000 } },
      { test: { name: 'cli', root: 'cli', include: ['src/**/*.test.ts'], testTimeout: 60_000 } },
      {
        plugins: [componentPlugins({ types: false })],
        test: { name: 'web', root: 'web', include: ['src/**/*.test.ts'], environment: 'jsdom', testTimeout: 60_000 },
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
