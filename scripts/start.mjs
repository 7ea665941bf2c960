import { existsSync, rmSync } from 'node:fs';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { ensurePackages } from './lib/packages.mjs';
import { DATA } from './lib/database.mjs';
import { chosenPort, preferredPort } from './lib/ports.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { stopOnSignals } from './lib/processes.mjs';
import { buildProduct, startServer } from './lib/product.mjs';
import { Refusal, run, say } from './lib/say.mjs';

const PREFERRED_PORT = 4180;
const HELP = `npm start                       starts Escalier with its demo school
npm start -- --port 8080        at a port of your choice
npm start -- --no-demo          without the demo school
npm start -- --reset-demo       starts the demo anew: all data of this checkout is erased, after a question
npm start -- --reset-demo --yes without the question
DATABASE_URL=postgres://… npm start   uses a PostgreSQL of your own`;

function readOptions() {
  try {
    return parseArgs({
      options: {
        port: { type: 'string' },
        demo: { type: 'boolean', default: true },
        'reset-demo': { type: 'boolean', default: false },
        yes: { type: 'boolean', default: false },
        help: { type: 'boolean', default: false },
      },
      allowNegative: true,
    }).values;
  } catch (error) {
    throw new Refusal(`${error.message.split('.')[0]}.\n${HELP}`);
  }
}

async function resetDemo(sure) {
  if (process.env.DATABASE_URL !== undefined) {
    throw new Refusal(
      '--reset-demo erases only the database of this checkout; with DATABASE_URL please empty that database yourself.',
    );
  }
  if (!existsSync(DATA)) return;
  if (!sure) {
    if (!process.stdin.isTTY)
      throw new Refusal('--reset-demo erases all data of this checkout: please add --yes to say that you mean it.');
    const terminal = createInterface({ input: process.stdin, output: process.stdout });
    const answer = await terminal.question('This erases all data of this checkout. Type "yes" to go on: ');
    terminal.close();
    if (answer.trim() !== 'yes') throw new Refusal('Nothing was erased.');
  }
  // A running database refuses here, before anything is erased.
  await (await startPostgres(DATA)).stop();
  rmSync(DATA, { recursive: true });
  say('The old data is erased.');
}

await run(async () => {
  const options = readOptions();
  if (options.help) return say(HELP);
  let postgres = null;
  let server = null;
  const stop = stopOnSignals(async () => {
    await server?.stop();
    await postgres?.stop();
  });
  try {
    ensurePackages();
    if (options['reset-demo']) await resetDemo(options.yes);
    const port = options.port === undefined ? await preferredPort(PREFERRED_PORT) : await chosenPort(options.port);
    buildProduct();
    let databaseUrl = process.env.DATABASE_URL;
    if (databaseUrl === undefined) {
      postgres = await startPostgres(DATA);
      ensureDatabase(postgres, 'escalier');
      databaseUrl = postgres.url('escalier');
    }
    server = await startServer({ databaseUrl, port, demo: options.demo });
    say(`\nEscalier is ready: ${server.address}\nCtrl-C stops it. The data stays in this checkout.\n`);
    const ends = [
      server.ended.then(() => 'The server'),
      ...(postgres === null ? [] : [postgres.ended.then(() => 'PostgreSQL')]),
    ];
    const first = await Promise.race(ends);
    say(`${first} has stopped.`);
  } finally {
    await stop();
  }
});
