import { mkdirSync } from 'node:fs';
import type { Writable } from 'node:stream';
import { multistream, pino, type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';
import type { LogLevel } from './config.ts';

const FILE = 'escalier.log';
const KEPT_FILES = 8;

/**
 * Writes JSON lines to the terminal, and into a folder where files change at 5 MB and the oldest go.
 * @param folder null for the terminal alone.
 */
export function createLogger(level: LogLevel, folder: string | null, terminal: Writable = process.stdout): Logger {
  if (folder === null) return pino({ level }, terminal);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = createStream(FILE, { path: folder, size: '5M', maxFiles: KEPT_FILES, mode: 0o600 });
  // A full disk does not stop lessons.
  file.on('error', (error) => terminal.write(`The log cannot be written: ${error.message}\n`));
  return pino(
    { level },
    multistream([
      { stream: terminal, level: 'trace' },
      { stream: file, level: 'trace' },
    ]),
  );
}

/** What of an error may be written down: nothing that holds a value, as that may be the name of a child. */
export interface PlainError {
  readonly type: string;
  /** SQLSTATE, or a code of the system. */
  readonly code?: string;
  readonly constraint?: string;
  readonly table?: string;
  /** Where it was thrown, without the message. */
  readonly at: readonly string[];
}

const MOST_FRAMES = 12;

/** Messages are left out: those of a database quote the statement with its values. */
export function plainError(error: unknown): PlainError {
  if (!(error instanceof Error)) return { type: typeof error, at: [] };
  const { code, constraint, table } = error as { code?: unknown; constraint?: unknown; table?: unknown };
  const named = Object.entries({ code, constraint, table }).filter(([, value]) => typeof value === 'string');
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type: error.constructor.name,
    ...(Object.fromEntries(named) as Pick<PlainError, 'code' | 'constraint' | 'table'>),
    at: frames.slice(0, MOST_FRAMES).map((line) => line.trim()),
  };
}
