import { mkdir, readdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { readTuneFile, type ReadTune } from '@escalier/core/formats';
import type { z } from 'zod';
import { BadInput } from './command.ts';
import { t } from './messages.ts';

export async function bytesFromFile(file: string): Promise<Uint8Array> {
  try {
    return await readFile(file);
  } catch {
    throw new BadInput(t('files.the-file-file-cannot-be-read', { file }));
  }
}

/** Reads a tune in any format that Escalier knows. @param tune which of several in the file, from 1. */
export async function tuneFromFile(file: string, tune = 1): Promise<ReadTune> {
  const result = readTuneFile(await bytesFromFile(file), { tune: tune - 1 });
  if (!result.ok) throw new BadInput(result.error.map((error) => error.message).join(' '));
  return result.value;
}

/** What a JSON file holds. */
export async function jsonFromFile(file: string): Promise<unknown> {
  const bytes = await bytesFromFile(file);
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new BadInput(t('files.the-file-file-is-not-json', { file }));
  }
}

/** The same, of the shape that a command needs; otherwise the first thing that is wrong, and where. */
export async function fileOfShape<Shape extends z.ZodType>(file: string, shape: Shape): Promise<z.infer<Shape>> {
  const read = shape.safeParse(await jsonFromFile(file));
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new BadInput(`In ${file}, ${issue!.path.join('.') || t('files.the-file')}: ${issue!.message}.`);
}

export async function bytesToFile(file: string, bytes: Uint8Array): Promise<void> {
  try {
    await writeFile(file, bytes);
  } catch {
    throw new BadInput(t('files.the-file-file-cannot-be-written', { file }));
  }
}

export async function makeFolder(folder: string): Promise<void> {
  try {
    await mkdir(folder, { recursive: true });
  } catch {
    throw new BadInput(t('files.the-folder-folder-cannot-be-made', { folder }));
  }
}

/** The files of a folder by name; null when it is no folder. */
export async function filesIn(folder: string): Promise<readonly string[] | null> {
  try {
    return (await readdir(folder)).toSorted().map((name) => join(folder, name));
  } catch {
    return null;
  }
}

/** Folders on the way to it are made. */
export async function jsonToFile(file: string, content: unknown): Promise<void> {
  await mkdir(dirname(file), { recursive: true }).catch(() => undefined);
  await bytesToFile(file, new TextEncoder().encode(JSON.stringify(content)));
}
