import { readdirSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { componentPlugins } from './web/vite.plugins.ts';

/** Pure functions leave nothing behind: their files share a worker, and load what they test once. */
const SHARED = { include: ['src/**/*.test.ts'], pool: 'threads' as const, isolate: false, testTimeout: 240_000 };

const WEB = fileURLToPath(new URL('web', import.meta.url));

/** Tests of the web that need no page say so in their first line. */
const PURE = readdirSync(join(WEB, 'src'), { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.test.ts'))
  .map((file) => join('src', file))
  .filter((file) => readFileSync(join(WEB, file), 'utf8').startsWith('// @vitest-environment node'));

function web(name: string, test: { include: string[]; exclude?: string[]; environment: string }) {
  return {
    plugins: [componentPlugins({ types: false })],
    test: { ...SHARED, name, root: 'web', setupFiles: [join(WEB, 'src/testing/own-modules.ts')], ...test },
  };
}

/** `unit` needs nothing but Node.js; `server` needs the PostgreSQL that `npm test` starts for it. */
export default defineConfig({
  test: {
    // Left to itself it keeps one core free, and half of a small machine is idle.
    maxWorkers: availableParallelism(),
    projects: [
      { test: { name: 'messages', root: 'messages', ...SHARED } },
      { test: { name: 'core', root: 'core', ...SHARED } },
      { test: { name: 'paper', root: 'paper', ...SHARED } },
      { test: { name: 'cli', root: 'cli', ...SHARED } },
      { test: { name: 'scripts', root: 'scripts', include: ['lib/*.test.mjs'], testTimeout: 240_000 } },
      web('web', { include: ['src/**/*.test.ts'], exclude: PURE, environment: 'jsdom' }),
      web('web without a page', { include: PURE, environment: 'node' }),
      {
        test: {
          name: 'server',
          root: 'server',
          isolate: false,
          include: ['src/**/*.test.ts'],
          globalSetup: [fileURLToPath(new URL('server/src/testing/global-setup.ts', import.meta.url))],
          testTimeout: 240_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
