import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { createPaperEngraver, type PaperEngraver } from './engraver.ts';
import { FURTHER_SCRIPTS, Letters, type FontFiles } from './letters.ts';
import { createToolkit, type WasmModule } from './verovio.ts';

export interface PaperTools {
  readonly fonts: FontFiles;
  readonly letters: Letters;
  readonly engraver: PaperEngraver;
}

const { resolve } = createRequire(import.meta.url);

function fontsource(family: string, script: string, weight: number): Uint8Array {
  return readFileSync(resolve(`@fontsource/${family}/files/${family}-${script}-${weight}-normal.woff`));
}

type Further<Weight extends 'text' | 'bold'> = Pick<FontFiles, `${Weight}-${(typeof FURTHER_SCRIPTS)[number]}`>;

function further<Weight extends 'text' | 'bold'>(name: Weight, weight: number): Further<Weight> {
  const files = FURTHER_SCRIPTS.map(
    (script) => [`${name}-${script}`, fontsource('noto-sans', script, weight)] as const,
  );
  return Object.fromEntries(files) as unknown as Further<Weight>;
}

function fontsOnDisk(): FontFiles {
  const text = 'atkinson-hyperlegible-next';
  const heading = 'bricolage-grotesque';
  return {
    text: fontsource(text, 'latin', 400),
    'text-ext': fontsource(text, 'latin-ext', 400),
    bold: fontsource(text, 'latin', 700),
    'bold-ext': fontsource(text, 'latin-ext', 700),
    heading: fontsource(heading, 'latin', 700),
    'heading-ext': fontsource(heading, 'latin-ext', 700),
    ...further('text', 400),
    ...further('bold', 700),
    music: readFileSync(fileURLToPath(new URL('../../paper/fonts/leipzig.ttf', import.meta.url))),
  };
}

/** What drawing needs, from the packages. */
export async function toolsOnDisk(): Promise<PaperTools> {
  const fonts = fontsOnDisk();
  const letters = new Letters(fonts);
  // @ts-expect-error the package ships no types
  const toolkit = await createToolkit(() => import('verovio/wasm') as Promise<WasmModule>);
  return { fonts, letters, engraver: createPaperEngraver(letters, toolkit) };
}
