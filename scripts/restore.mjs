import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { connectionsTo, grantToApp, openDatabase } from './lib/database.mjs';
import { withPassword } from './lib/psql.mjs';
import { Refusal, run, say } from './lib/say.mjs';

const HELP = 'npm run restore -- FILE [--yes] brings a copy back that npm run backup has made.';

async function ask(file) {
  if (!process.stdin.isTTY) throw new Refusal('This replaces all data: please add --yes to say that you mean it.');
  const terminal = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await terminal.question(`All data is replaced by that of ${file}. Type "yes" to go on: `);
  terminal.close();
  if (answer.trim() !== 'yes') throw new Refusal('Nothing was changed.');
}

/** Brings a copy back by pg_restore in one transaction: all of it, or nothing. */
await run(async () => {
  const { values, positionals } = parseArgs({ options: { yes: { type: 'boolean' } }, allowPositionals: true });
  const [given] = positionals;
  if (given === undefined) throw new Refusal(HELP);
  const file = resolve(given);
  if (!existsSync(file)) throw new Refusal(`There is no file ${file}.`);
  const database = await openDatabase();
  try {
    if (connectionsTo(database) > 0)
      throw new Refusal('Something is connected to this database, most likely Escalier: please stop it first.');
    if (values.yes !== true) await ask(file);
    const { target, binaries } = database;
    const how = ['--clean', '--if-exists', '--no-owner', '--no-privileges', '--single-transaction'];
    const args = [...how, `--dbname=${target.database}`, file];
    const { status, stderr } = withPassword(target, join(binaries, 'pg_restore'), args, { env: target.env });
    if (status !== 0)
      throw new Refusal(`Nothing was changed: ${String(stderr).trim().split('\n')[0] ?? 'this is no copy'}`);
    grantToApp(database);
    say(`The data is again as in ${file}.`);
  } finally {
    await database.stop();
  }
});
