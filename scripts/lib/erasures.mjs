import { appendFileSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { COPIES } from './paths.mjs';
import { runSql } from './psql.mjs';

const NAME = 'erasures.jsonl';

/** What was erased, by ids and days, beside the copies: the server writes it, and a copy that comes back is cleaned by it. */
export const ERASURES = join(COPIES, NAME);

/** The same list beside one copy. */
export const erasuresBeside = (copy) => join(dirname(copy), NAME);

const linesOf = (text) => text.split('\n').filter((line) => line.trim() !== '');

function linesIn(file) {
  return existsSync(file) ? linesOf(readFileSync(file, 'utf8')) : [];
}

/** The list as the database has it; none where it is of a version before there was one, or empty. */
function linesInDatabase({ binaries, target }) {
  const { status, stdout } = runSql(
    binaries,
    target,
    `select json_build_object('kind', kind, 'key', key, 'at', to_char(at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')) from erasure`,
  );
  return status === 0 ? linesOf(stdout) : [];
}

/** One line for each thing, from the database and all lists. */
export function allErasures(database, files) {
  const lines = [...linesInDatabase(database), ...files.flatMap(linesIn)];
  return [...new Map(lines.map((line) => JSON.parse(line)).map((each) => [`${each.kind} ${each.key}`, each])).values()];
}

/** Adds to a list what it does not have yet; names stand in none. */
export function addErasures(file, erasures) {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const known = new Set(linesIn(file).map((line) => `${JSON.parse(line).kind} ${JSON.parse(line).key}`));
  const fresh = erasures.filter(({ kind, key }) => !known.has(`${kind} ${key}`));
  if (!existsSync(file)) writeFileSync(file, '', { mode: 0o600 });
  appendFileSync(file, fresh.map((each) => `${JSON.stringify(each)}\n`).join(''));
}
