import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { ROOT, SERVER_BUILD } from './lib/paths.mjs';

/** One file of our own code; packages stay outside, as package.json lists them. */
const { dependencies } = JSON.parse(readFileSync(join(ROOT, 'server', 'package.json'), 'utf8'));
const core = JSON.parse(readFileSync(join(ROOT, 'core', 'package.json'), 'utf8'));
const packages = Object.keys({ ...dependencies, ...core.dependencies }).filter(
  (name) => !name.startsWith('@escalier/'),
);

await build({
  entryPoints: [join(ROOT, 'server', 'src', 'main.ts')],
  outfile: SERVER_BUILD,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
  external: packages.flatMap((name) => [name, `${name}/*`]),
});
