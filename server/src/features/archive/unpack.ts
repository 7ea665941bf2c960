import type { FieldProblem } from '@escalier/contract/field-problems';
import { createReadStream, createWriteStream, type WriteStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { join } from 'node:path';
import { failure, success, type Result } from '@escalier/core/music';
import { JSONParser } from '@streamparser/json';
import * as z from 'zod/mini';
import { readText } from '../../reader/index.ts';
import { problemOf } from '../../platform/field-problem.ts';
import {
  HEAD,
  NEWER_PARTS,
  PARTS,
  REFERENCES,
  ROWS,
  UNIQUE,
  type Archive,
  type Part,
} from '@escalier/contract/archive';
import { t } from '../../platform/messages.ts';

/** The head of an archive that was read, and how many rows each part has. */
export interface Unpacked {
  readonly exportedAt: string;
  readonly school: Archive['school'];
  readonly rows: Readonly<Record<Part, number>>;
}

class Refused extends Error {
  readonly problem: FieldProblem;

  constructor(problem: FieldProblem) {
    super(problem.code);
    this.problem = problem;
  }
}

/** As a sentence that only a file can need. */
function inFile(words: string): Refused {
  return new Refused({ code: 'file', words });
}

function refuse(at: string, problem: FieldProblem): never {
  if (problem.code === 'in-archive') throw new Refused(problem);
  throw new Refused({ code: 'in-archive', at, problem });
}

function refuseIssue(path: readonly (string | number)[], issues: readonly z.core.$ZodIssue[]): never {
  const [issue] = issues;
  refuse(
    [...path, ...(issue?.path ?? [])].map(String).join('.'),
    issue === undefined ? { code: 'wrong' } : problemOf(issue),
  );
}

/** Where the checked rows of a part lie, a JSON line each. */
export function spoolFile(folder: string, part: Part): string {
  return join(folder, `${part}.jsonl`);
}

/**
 * Reads an archive of any size row by row, checks every row, and lays the good ones into files of a folder. What is held
 * in memory are ids alone. The error names the first place that is wrong.
 */
export async function unpackArchive(file: string, folder: string): Promise<Result<Unpacked, FieldProblem>> {
  const unpacking = new Unpacking(folder);
  try {
    await unpacking.read(file);
    await unpacking.close();
    await checkReferences(folder, unpacking.ids);
    return success(unpacking.result());
  } catch (error) {
    if (error instanceof Refused) return failure(error.problem);
    throw error;
  } finally {
    await unpacking.close();
  }
}

type Ids = Readonly<Record<Part, ReadonlySet<string>>>;

class Unpacking {
  readonly ids = Object.fromEntries(PARTS.map((part) => [part, new Set<string>()])) as Record<Part, Set<string>>;
  readonly #counts = Object.fromEntries(PARTS.map((part) => [part, 0])) as Record<Part, number>;
  readonly #seen = Object.fromEntries(PARTS.map((part) => [part, UNIQUE[part].map(() => new Set<string>())])) as Record<
    Part,
    Set<string>[]
  >;
  readonly #spools: Record<Part, WriteStream>;
  readonly #head = new Map<string, unknown>();
  readonly #parts = new Set<string>();
  #full: WriteStream | null = null;

  constructor(folder: string) {
    const spool = (part: Part): WriteStream => createWriteStream(spoolFile(folder, part), { mode: 0o600 });
    this.#spools = Object.fromEntries(PARTS.map((part) => [part, spool(part)])) as Record<Part, WriteStream>;
  }

  async read(file: string): Promise<void> {
    const heads = Object.keys(HEAD).map((name) => `$.${name}`);
    const parts = PARTS.flatMap((part) => [`$.${part}`, `$.${part}.*`]);
    const parser = new JSONParser({ paths: [...heads, ...parts], keepStack: false });
    let problem: Error | null = null;
    parser.onValue = ({ value, key, stack }) => {
      if (problem !== null) return;
      try {
        this.#take(stack.length === 1 ? String(key) : String(stack[1]?.key), stack.length, key, value);
      } catch (error) {
        problem = error instanceof Error ? error : new Error(String(error));
      }
    };
    parser.onError = () => (problem ??= inFile(t('unpack.this-file-isnt-json')));
    for await (const chunk of createReadStream(file, { highWaterMark: 256 * 1024 })) {
      try {
        parser.write(chunk as Uint8Array);
      } catch (error) {
        problem ??= error instanceof Refused ? error : inFile(t('unpack.this-file-isnt-json'));
      }
      if (problem !== null) throw problem;
      if (this.#full !== null) await drained(this.#full);
      this.#full = null;
    }
    if (!parser.isEnded) throw inFile(t('unpack.this-file-isnt-json-or-part'));
    this.#checkHead();
  }

  #take(name: string, depth: number, key: unknown, value: unknown): void {
    if (depth === 1) {
      if (name in HEAD) this.#head.set(name, value);
      else if (!Array.isArray(value)) refuse(name, { code: 'missing' });
      else this.#parts.add(name);
      return;
    }
    this.#takeRow(name as Part, Number(key), value);
  }

  #takeRow(part: Part, index: number, value: unknown): void {
    const read = z.safeParse(ROWS[part], value);
    if (!read.success) refuseIssue([part, index], read.error.issues);
    const row: Readonly<Record<string, unknown>> = { ...(read.data as object), ...contentOf(part, index, value) };
    this.#checkUnique(part, index, row);
    if (typeof row.id === 'string') this.ids[part].add(row.id);
    this.#counts[part] += 1;
    const spool = this.#spools[part];
    if (!spool.write(`${JSON.stringify(row)}\n`)) this.#full = spool;
  }

  #checkUnique(part: Part, index: number, row: Readonly<Record<string, unknown>>): void {
    for (const [at, fields] of UNIQUE[part].entries()) {
      const values = fields.map((field) => String(row[field]).toLowerCase());
      const seen = this.#seen[part][at]!;
      const key = values.join(' ');
      if (seen.has(key))
        throw inFile(t('unpack.part-row-index-duplicate-list', { part, index: index + 1, list: fields.join(' and ') }));
      seen.add(key);
    }
  }

  #checkHead(): void {
    for (const [name, schema] of Object.entries(HEAD)) {
      const read = z.safeParse(schema, this.#head.get(name));
      if (read.success) this.#head.set(name, read.data);
      else refuseIssue([name], read.error.issues);
    }
    const missing = PARTS.find((part) => !this.#parts.has(part) && !NEWER_PARTS.includes(part));
    if (missing !== undefined) refuse(missing, { code: 'missing' });
  }

  result(): Unpacked {
    const school = this.#head.get('school') as Archive['school'];
    return { exportedAt: String(this.#head.get('exportedAt')), school, rows: this.#counts };
  }

  async close(): Promise<void> {
    await Promise.all(Object.values(this.#spools).map(ended));
  }
}

/** A tune is known again by what sounds: worked out here, as it takes reading it. */
function contentOf(part: Part, index: number, value: unknown): { readonly content?: string } {
  if (part !== 'tunes') return {};
  const read = readText((value as Archive['tunes'][number]).abc);
  if (!read.ok) throw inFile(t('unpack.tunes-row-index-error', { index: index + 1, error: read.error }));
  return { content: read.value.content };
}

function drained(stream: WriteStream): Promise<void> {
  return stream.writableNeedDrain ? new Promise((resolve) => stream.once('drain', resolve)) : Promise.resolve();
}

function ended(stream: WriteStream): Promise<void> {
  return stream.writableFinished ? Promise.resolve() : new Promise((resolve) => stream.end(() => resolve()));
}

/** @throws Refused with the first row that points to nothing. */
async function checkReferences(folder: string, ids: Ids): Promise<void> {
  for (const [part, fields] of Object.entries(REFERENCES) as [Part, Readonly<Record<string, Part>>][]) {
    const file = await open(spoolFile(folder, part));
    let index = 0;
    for await (const line of file.readLines()) {
      const row = JSON.parse(line) as Readonly<Record<string, unknown>>;
      for (const [field, target] of Object.entries(fields)) {
        const value = row[field];
        if (typeof value === 'string' && !ids[target].has(value))
          throw inFile(t('unpack.part-row-index-its-field-isnt', { part, index: index + 1, field, target }));
      }
      index += 1;
    }
  }
}
