import { join } from 'node:path';
import { build } from 'esbuild';
import { CLI_BUILD, ROOT } from './lib/paths.mjs';

/** The core at a terminal as a few files: each command loads its own part. Sheets bring packages that stay where they are. */
await build({
  entryPoints: { main: join(ROOT, 'cli', 'src', 'main.ts') },
  outdir: join(CLI_BUILD, '..'),
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  minify: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  legalComments: 'none',
  logLevel: 'warning',
  external: ['verovio', 'verovio/*', 'pdfkit', 'pdfkit/*'],
  banner: {
    js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
  },
});
