import { chmodSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { openDatabase } from './lib/database.mjs';
import { addErasures, allErasures, ERASURES, erasuresBeside } from './lib/erasures.mjs';
import { COPIES, DATA_FOLDER } from './lib/paths.mjs';
import { withPassword } from './lib/psql.mjs';
import { Refusal, run, say } from './lib/say.mjs';

/** Copies the database by pg_dump, also while Escalier runs: as it is at one moment. */
await run(async () => {
  const { values } = parseArgs({ options: { to: { type: 'string' } } });
  const stamp = new Date().toISOString().slice(0, 16).replace(/[:T]/g, '-');
  const file = resolve(values.to ?? join(COPIES, `escalier-${stamp}.dump`));
  const database = await openDatabase();
  try {
    // Children's data: nobody but who made the copy reads it.
    mkdirSync(DATA_FOLDER, { recursive: true });
    process.umask(0o077);
    mkdirSync(dirname(file), { recursive: true });
    // The copy gets its name only when it is whole.
    const unfinished = `${file}.unfinished`;
    const args = ['--format=custom', '--no-owner', '--no-privileges', `--file=${unfinished}`];
    const { target, binaries } = database;
    const { status, stderr } = withPassword(target, join(binaries, 'pg_dump'), args, { env: target.env });
    if (status !== 0) {
      rmSync(unfinished, { force: true });
      throw new Refusal(`The copy could not be made: ${String(stderr).trim().split('\n').at(-1)}`);
    }
    chmodSync(unfinished, 0o600);
    renameSync(unfinished, file);
    addErasures(erasuresBeside(file), allErasures(database, [ERASURES]));
    say(`The copy is ${file} (${Math.ceil(statSync(file).size / 1024)} kB). It holds children's data: keep it safe.`);
  } finally {
    await database.stop();
  }
});
