import { existsSync, rmSync } from 'node:fs';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import { ensurePackages } from './lib/packages.mjs';
import { DATA } from './lib/database.mjs';
import { ERASURES } from './lib/erasures.mjs';
import { LOGS } from './lib/paths.mjs';
import { chosenPort, preferredPort } from './lib/ports.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { stopOnSignals } from './lib/processes.mjs';
import { buildWhilePreparing, startServer } from './lib/product.mjs';
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

/** A server that dies is started again: at once, then after longer and longer waits as long as it keeps dying. */
const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 60_000;
/** Who ran so long was well: the waits begin anew. */
const WELL_MS = 120_000;

/**
 * Keeps a server running until it is told to stop or the database has gone.
 * @param ends tells why nothing is started again.
 */
async function keepRunning(options, started, ends) {
  let wait = FIRST_WAIT_MS;
  for (;;) {
    const since = Date.now();
    const server = await startServer(options);
    started(server);
    const code = await Promise.race([server.ended, ends]);
    if (typeof code === 'string') return code;
    if (Date.now() - since > WELL_MS) wait = FIRST_WAIT_MS;
    say(`The server has died (${code}). It starts again in ${wait / 1000} s; nothing recorded is lost.`);
    const ended = await Promise.race([ends, new Promise((resolve) => setTimeout(resolve, wait))]);
    if (typeof ended === 'string') return ended;
    wait = Math.min(LONGEST_WAIT_MS, wait * 2);
  }
}

/** npm may be killed without a word to what it runs: then this ends, too, and leaves nothing behind. */
function stopWithNpm(stop) {
  if (process.env.npm_lifecycle_event === undefined) return;
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid !== parent) void stop().finally(() => process.exit(0));
  }, 1000).unref();
}

const STEPS = 5;
let steps = 0;

/** Says which step begins: a first start takes a minute. */
function step(what) {
  steps += 1;
  say(`[${steps}/${STEPS}] ${'▪'.repeat(steps)}${'▫'.repeat(STEPS - steps)} ${what}`);
}

await run(async () => {
  const options = readOptions();
  if (options.help) return say(HELP);
  let postgres = null;
  let server = null;
  let stopping = () => {};
  const told = new Promise((resolve) => (stopping = resolve));
  const stop = stopOnSignals(async () => {
    stopping('told');
    await server?.stop();
    await postgres?.stop();
  });
  stopWithNpm(stop);
  try {
    step('packages');
    ensurePackages();
    if (options['reset-demo']) await resetDemo(options.yes);
    const port = options.port === undefined ? await preferredPort(PREFERRED_PORT) : await chosenPort(options.port);
    step('database');
    const { DATABASE_URL, ESCALIER_MIGRATION_URL } = process.env;
    let urls = { app: DATABASE_URL, owner: ESCALIER_MIGRATION_URL };
    if (DATABASE_URL === undefined) {
      postgres = await startPostgres(DATA);
      ensureDatabase(postgres, 'escalier');
      urls = { app: postgres.url('escalier'), owner: postgres.ownerUrl('escalier') };
    }
    const product = { urls, port, demo: options.demo, logFolder: LOGS, erasures: ERASURES };
    step(options.demo ? 'server, pages and the demo school' : 'server and pages');
    await buildWhilePreparing(product);
    step('school');
    const ends = Promise.race([told, ...(postgres === null ? [] : [postgres.ended.then(() => 'PostgreSQL')])]);
    let first = true;
    const started = (running) => {
      server = running;
      if (first) step('answers');
      say(first ? readyWords(running.address, options.demo) : `The server runs again: ${running.address}`);
      first = false;
    };
    const why = await keepRunning(product, started, ends);
    if (why !== 'told') say(`${why} has stopped.`);
  } finally {
    await stop();
  }
});

function readyWords(address, demo) {
  const open = demo
    ? 'The demo school’s password is public, so Escalier answers on this machine only; --no-demo begins a school of your own.\n'
    : '';
  return `\nEscalier is ready: ${address}\n${open}Ctrl-C stops it. The data stays in this checkout; the log is in ${LOGS}.\n`;
}
