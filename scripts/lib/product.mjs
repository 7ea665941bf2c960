import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { buildUnlessFresh } from './freshness.mjs';
import { ROOT, SERVER_BUILD, TUNES, WEB_BUILD } from './paths.mjs';
import { ensureDatabase, startTemporaryPostgres } from './postgres.mjs';
import { runQuiet, start, stopOnSignals } from './processes.mjs';
import { Refusal, say } from './say.mjs';

/** The folders and files that a build is made from. */
const SOURCES = {
  web: [
    'messages/src',
    'core/src',
    'contract/src',
    'paper/src',
    // Of the server only types come across, and the checks read those.
    'web/src',
    'web/public',
    'web/index.html',
    'web/room',
    'web/vite.config.ts',
    'web/vite.room.config.ts',
    'web/vite.shared.ts',
    'scripts/build-web.mjs',
    'web/vite.plugins.ts',
    'package-lock.json',
  ],
  server: ['messages/src', 'core/src', 'contract/src', 'server/src', 'scripts/build-server.mjs', 'package-lock.json'],
};

function build(part, made, script) {
  buildUnlessFresh(part, made, SOURCES[part], () => {
    say(`Building the ${part} …`);
    const result = runQuiet(process.execPath, [join(ROOT, 'scripts', script)]);
    if (result.status !== 0) throw new Refusal(`The ${part} could not be built:\n${result.output}`);
  });
}

/** Builds the server and its threads; gives the folder of the threads, for who runs the server's sources. */
export function buildServer() {
  build('server', SERVER_BUILD, 'build-server.mjs');
  return dirname(SERVER_BUILD);
}

/** Builds what has changed since it was last built. */
export function buildProduct() {
  buildServer();
  build('web', join(WEB_BUILD, 'room', 'index.html'), 'build-web.mjs');
}

/**
 * Builds what has changed; on a first start, where each takes a while, it makes the database ready meanwhile.
 * @param options as startServer takes them.
 */
export async function buildWhilePreparing(options) {
  if (existsSync(WEB_BUILD)) return buildProduct();
  buildServer();
  const preparing = start(process.execPath, ['--enable-source-maps', SERVER_BUILD, 'prepare'], {
    env: serverEnv(options),
    stdio: ['ignore', 'ignore', 'inherit'],
  }).ended;
  const building = start(process.execPath, [join(ROOT, 'scripts', 'build.mjs')]).ended;
  const [prepared, built] = await Promise.all([preparing, building]);
  if (built !== 0) throw new Refusal('Escalier cannot start without its pages.');
  if (prepared !== 0) throw new Refusal('Escalier cannot start without its database.');
}

function serverEnv({ urls, port, demo = true, demoSchools = false, logFolder, erasures }) {
  return {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: urls.app,
    ...(urls.owner === undefined ? {} : { ESCALIER_MIGRATION_URL: urls.owner }),
    ESCALIER_PORT: String(port),
    ESCALIER_DEMO: demo ? 'on' : 'off',
    ESCALIER_DEMO_SCHOOLS: demoSchools ? 'on' : 'off',
    ESCALIER_WEB: WEB_BUILD,
    ESCALIER_DEMO_TUNES: TUNES,
    ...(logFolder === undefined ? {} : { ESCALIER_LOG_FOLDER: logFolder }),
    ...(erasures === undefined ? {} : { ESCALIER_ERASURES: erasures }),
  };
}

/**
 * Starts the built server and waits until it answers.
 * @param options.urls {app, owner?}: addresses of the database for the application, and for migrations where they differ.
 * @returns {address, stop(), ended}: stop lets running requests end.
 */
export async function startServer(options) {
  const child = spawn(process.execPath, ['--enable-source-maps', SERVER_BUILD], {
    cwd: ROOT,
    env: serverEnv(options),
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  });
  const ended = new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
  let output = '';
  const address = await new Promise((resolve) => {
    const listen = (text) => {
      output = (output + text).slice(-8000);
      const match = /Escalier is at (\S+)/.exec(output);
      if (match !== null) resolve(match[1]);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    void ended.then(() => resolve(null));
  });
  if (address === null) throw new Refusal(`The server did not start. ${output.trim()}`);
  // The server's log is for who looks after it, and what it said before it was ready too.
  process.stdout.write(output.replace(/^Escalier is at .*\n/m, ''));
  child.stdout.on('data', (text) => process.stdout.write(text));
  child.stderr.on('data', (text) => process.stderr.write(text));
  const stop = async () => {
    if (child.exitCode === null) child.kill('SIGTERM');
    await ended;
  };
  return { address, stop, ended, pid: child.pid };
}

/**
 * Runs `work` with the built product, whose tests get a demo school each, on databases that go afterwards.
 * @param more names of further empty databases.
 * @param work gets {address, urls(database)}; the product's own database is called "product".
 */
export async function withProduct(more, work) {
  buildProduct();
  const postgres = await startTemporaryPostgres();
  let server = null;
  const stop = stopOnSignals(async () => {
    await server?.stop();
    await postgres.stop();
  });
  try {
    for (const name of ['product', ...more]) ensureDatabase(postgres, name);
    const urls = (name) => ({ app: postgres.url(name), owner: postgres.ownerUrl(name) });
    server = await startServer({ urls: urls('product'), port: 0, demoSchools: true });
    return await work({ address: server.address, urls });
  } finally {
    await stop();
  }
}
