import { readFile, writeFile } from 'node:fs/promises';
import { readTuneFile, type ReadTune } from '@escalier/core/formats';
import { BadInput } from './command.ts';

/** Reads a tune in any format that Escalier knows. @param tune which of several in the file, from 1. */
export async function tuneFromFile(file: string, tune = 1): Promise<ReadTune> {
  let bytes: Uint8Array;
  try {
    bytes = await readFile(file);
  } catch {
    throw new BadInput(`The file ${file} cannot be read.`);
  }
  const result = readTuneFile(bytes, { tune: tune - 1 });
  if (!result.ok) throw new BadInput(result.error.map((error) => error.message).join(' '));
  return result.value;
}

export async function bytesToFile(file: string, bytes: Uint8Array): Promise<void> {
  try {
    await writeFile(file, bytes);
  } catch {
    throw new BadInput(`The file ${file} cannot be written.`);
  }
}
