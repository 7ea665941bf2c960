import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import type { FontFiles } from './letters.ts';

const { resolve } = createRequire(import.meta.url);

function fontsource(family: string, script: string, weight: number): Uint8Array {
  return readFileSync(resolve(`@fontsource/${family}/files/${family}-${script}-${weight}-normal.woff`));
}

/** The fonts of the sheets, from the packages. */
export function fontsOnDisk(): FontFiles {
  const text = 'atkinson-hyperlegible-next';
  const heading = 'bricolage-grotesque';
  return {
    text: fontsource(text, 'latin', 400),
    'text-ext': fontsource(text, 'latin-ext', 400),
    bold: fontsource(text, 'latin', 700),
    'bold-ext': fontsource(text, 'latin-ext', 700),
    heading: fontsource(heading, 'latin', 700),
    'heading-ext': fontsource(heading, 'latin-ext', 700),
    music: readFileSync(fileURLToPath(new URL('../fonts/leipzig.ttf', import.meta.url))),
  };
}
