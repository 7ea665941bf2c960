import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { connectionsTo, grantToApp, openDatabase } from './lib/database.mjs';
import { addErasures, allErasures, ERASURES, erasuresBeside } from './lib/erasures.mjs';
import { RESTORED_BUILD } from './lib/paths.mjs';
import { buildServer } from './lib/product.mjs';
import { withPassword } from './lib/psql.mjs';
import { runQuiet } from './lib/processes.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { Refusal, run, say } from './lib/say.mjs';

const HELP = 'npm run restore -- FILE [--yes] brings a copy back that npm run backup has made.';

async function ask(file) {
  if (!process.stdin.isTTY) throw new Refusal('This replaces all data: please add --yes to say that you mean it.');
  const terminal = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await terminal.question(`All data is replaced by that of ${file}. Type "yes" to go on: `);
  terminal.close();
  if (answer.trim() !== 'yes') throw new Refusal('Nothing was changed.');
}

/**
 * Ends what was open when the copy was made, and erases again what was erased since: a copy knows neither.
 * @throws Refusal: then the data is there, and nobody should start Escalier with it.
 */
function cleanCopy(database) {
  const { status, output } = runQuiet(process.execPath, [RESTORED_BUILD], {
    env: { ...process.env, DATABASE_URL: database.url, ESCALIER_ERASURES: ERASURES },
  });
  const line = output.split('\n').find((each) => each.startsWith('{') || each === 'null');
  if (status !== 0 || line === undefined)
    throw new Refusal(
      `The data is there, but what was erased since is not erased again. Please restore once more before you start Escalier.\n${output.trim()}`,
    );
  if (line === 'null') return say('It is no copy of Escalier: nothing in it was ended or erased.');
  const { ended, erased } = JSON.parse(line);
  say(
    `Everybody signs in anew: ${ended.sessions} sessions, ${ended.devices} known devices, ${ended.slips} slips, ` +
      `${ended.links} links and ${ended.calendars} calendar addresses of the copy are ended. Please print new slips.`,
  );
  say(
    `Erased again: ${erased.pupils} pupils, ${erased.recordings} recordings, names in ${erased.texts} texts ` +
      `(by ${ERASURES}).`,
  );
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
    ensurePackages();
    buildServer();
    // Read before the copy replaces the database that knows them.
    addErasures(ERASURES, allErasures(database, [ERASURES, erasuresBeside(file)]));
    const { target, binaries } = database;
    const how = ['--clean', '--if-exists', '--no-owner', '--no-privileges', '--single-transaction'];
    const args = [...how, `--dbname=${target.database}`, file];
    const { status, stderr } = withPassword(target, join(binaries, 'pg_restore'), args, { env: target.env });
    if (status !== 0)
      throw new Refusal(`Nothing was changed: ${String(stderr).trim().split('\n')[0] ?? 'this is no copy'}`);
    grantToApp(database);
    say(`The data is again as in ${file}.`);
    cleanCopy(database);
    grantToApp(database);
  } finally {
    await database.stop();
  }
});
