import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { build } from 'esbuild';
import { ROOT, SERVER_BUILD } from './lib/paths.mjs';

/** One file of our own code; packages stay outside, as package.json lists them. */
const { dependencies } = JSON.parse(readFileSync(join(ROOT, 'server', 'package.json'), 'utf8'));
const core = JSON.parse(readFileSync(join(ROOT, 'core', 'package.json'), 'utf8'));
const packages = Object.keys({ ...dependencies, ...core.dependencies }).filter(
  (name) => !name.startsWith('@escalier/'),
);

const source = (path) => join(ROOT, 'server', 'src', path);

await build({
  // Beside the server the threads in which it reads what people send.
  entryPoints: {
    main: source('main.ts'),
    hasher: source('hasher/thread.ts'),
    reader: source('reader/thread.ts'),
    restored: source('restoring/main.ts'),
    unpacker: source('features/archive/unpack-thread.ts'),
  },
  outdir: dirname(SERVER_BUILD),
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
  external: packages.flatMap((name) => [name, `${name}/*`]),
});
