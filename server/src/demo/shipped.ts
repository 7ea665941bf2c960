import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { InstrumentId } from '@escalier/core/instruments';
import type { NoteOrderId } from '@escalier/core/staircase';
import { readText } from '../reader/index.ts';

export interface ShippedTune {
  /** The file's name without its ending. */
  readonly slug: string;
  readonly title: string;
  readonly abc: string;
  readonly content: string;
}

/** A staircase of nine belts for each order of notes, made by the builder from the tunes that ship. */
export interface Template {
  readonly name: string;
  readonly instrument: InstrumentId;
  readonly order: NoteOrderId;
  readonly steps: readonly { readonly tune: string; readonly lessons: number }[];
}

/** What a new school begins with. */
export interface Shipped {
  readonly tunes: readonly ShippedTune[];
  readonly templates: readonly Template[];
}

/**
 * Reads the tunes and staircases that ship with Escalier.
 * @param folder of the tunes; the staircases lie beside it.
 * @throws Error naming the file when one of them is no tune.
 */
export async function readShipped(folder: string): Promise<Shipped> {
  const templates = JSON.parse(await readFile(join(folder, '..', 'staircases.json'), 'utf8')) as readonly Template[];
  return { tunes: await readTunes(folder), templates };
}

async function readTunes(folder: string): Promise<readonly ShippedTune[]> {
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
