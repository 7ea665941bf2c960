import { serve } from '@hono/node-server';
import { createApp } from './app.ts';
import { DEMO_TEACHER } from './demo/school.ts';
import { demoSchools, seedDemo } from './demo/seed.ts';
import { fillSchool } from './demo/new-school.ts';
import { readShipped } from './demo/shipped.ts';
import { keepErasuresIn } from './features/erasures/index.ts';
import { liveRecords } from './features/hearing/index.ts';
import { ensureSetupCode, type FillSchool } from './features/people/index.ts';
import { eraseOld } from './features/recordings/index.ts';
import { rateLimits } from './platform/rate-limits.ts';
import { network } from './platform/client.ts';
import { readConfig } from './platform/config.ts';
import { createLogger, plainError } from './platform/log.ts';
import { connect, migrate } from './connect.ts';
import type { Orm } from './platform/database.ts';
import { reader } from './reader/index.ts';

const config = orStop(() => readConfig(process.env));
const net = orStop(() => network(config.publicUrl, config.trustedProxies));
const logger = createLogger(config.logLevel, config.logFolder);
await migrateDatabase();
const orm = await reachDatabase(config.databaseUrl);
if (config.demo) await seedDemo(orm, config.tunesFolder, new Date());
// The start script has the database made ready while it builds the pages.
if (process.argv.includes('prepare')) process.exit(0);
if (!config.demo) await sayCode();
await reader.wake();

const demo = config.demo ? { email: DEMO_TEACHER.email, password: DEMO_TEACHER.password } : null;
const fillNewSchool: FillSchool = async (em, schoolId) => {
  await fillSchool(em, schoolId, await readShipped(config.tunesFolder));
};
keepErasuresIn(config.erasuresFile);
const live = liveRecords(config.databaseUrl);
const limits = rateLimits(config.databaseUrl);
const app = createApp({
  orm,
  demo,
  makeDemoSchool: config.demoSchools ? demoSchools(config.tunesFolder) : null,
  webFolder: config.webFolder,
  fillSchool: fillNewSchool,
  live,
  limits,
  network: net,
  logger,
});
/** Recordings are erased on their day, whether somebody looks or not. */
const HOUR_MS = 3_600_000;
async function eraseWhatIsOver(): Promise<void> {
  await eraseOld(orm.em.fork(), new Date()).catch((error: unknown) =>
    logger.error({ error: plainError(error) }, 'old recordings'),
  );
}
// A laptop may serve for one lesson a day, and never for an hour.
await eraseWhatIsOver();
setInterval(() => void eraseWhatIsOver(), HOUR_MS).unref();
const server = serve({ fetch: app.fetch, hostname: config.host, port: config.port }, ({ port }) => {
  // The start script and the tests wait for this line.
  console.log(`Escalier is at http://${config.host}:${port}`);
});

/** One sentence on the way out: what is wrong can be mended by who starts the server. */
function stopWith(sentence: string): never {
  console.error(sentence);
  process.exit(1);
}

function orStop<Value>(work: () => Value): Value {
  try {
    return work();
  } catch (error) {
    return stopWith(error instanceof Error ? error.message : String(error));
  }
}

async function reachDatabase(databaseUrl: string): Promise<Orm> {
  const { host, pathname } = orStop(() => new URL(databaseUrl));
  try {
    return await connect(databaseUrl);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return stopWith(
      `The database ${pathname.slice(1)} at ${host} cannot be reached: please check DATABASE_URL (${why}).`,
    );
  }
}

async function migrateDatabase(): Promise<void> {
  const owner = await reachDatabase(config.migrationUrl);
  try {
    await migrate(owner);
  } catch (error) {
    stopWith(`The database could not be brought up to date (${error instanceof Error ? error.message : 'no reason'}).`);
  } finally {
    await owner.close(true);
  }
}

/** An empty database belongs to who reads the terminal: the first visitor needs the code. */
async function sayCode(): Promise<void> {
  const code = await ensureSetupCode(orm.em.fork());
  if (code !== null) console.log(`There is no school yet. Who sets it up is asked for this code: ${code}`);
}

const LAST_REQUESTS_MS = 1500;
let stopping = false;
function stop(): void {
  if (stopping) return;
  stopping = true;
  server.close(
    () => void Promise.allSettled([live.close(), limits.close(), orm.close(true)]).finally(() => process.exit(0)),
  );
  // A device that listens never ends by itself; it comes again when there is a server.
  if ('closeAllConnections' in server) setTimeout(() => server.closeAllConnections(), LAST_REQUESTS_MS).unref();
  if ('closeIdleConnections' in server) server.closeIdleConnections();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
