import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { readText } from '../reader/index.ts';

export interface ShippedTune {
  /** The file's name without its ending. */
  readonly slug: string;
  readonly title: string;
  readonly abc: string;
  readonly content: string;
}

/** @throws Error naming the file when one of them is no tune. */
export async function readTunes(folder: string): Promise<readonly ShippedTune[]> {
  const files = (await readdir(folder)).filter((name) => name.endsWith('.abc')).sort();
  return Promise.all(
    files.map(async (name): Promise<ShippedTune> => {
      const abc = await readFile(join(folder, name), 'utf8');
      const read = readText(abc);
      if (!read.ok) throw new Error(`${name}: ${read.error}`);
      const { title, content } = read.value;
      return { slug: name.replace(/\.abc$/, ''), title, abc, content };
    }),
  );
}
