import { serve } from '@hono/node-server';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { DEMO_TEACHER } from './demo/school.ts';
import { seedDemo } from './demo/seed.ts';
import { readConfig } from './platform/config.ts';
import { connect, migrate } from './platform/database.ts';

const config = readConfig(process.env);
const logger = pino({ level: config.logLevel });
const orm = await connect(config.databaseUrl);
await migrate(orm);
if (config.demo) await seedDemo(orm, config.tunesFolder, new Date());

const demo = config.demo ? { email: DEMO_TEACHER.email, password: DEMO_TEACHER.password } : null;
const app = createApp({ orm, demo, webFolder: config.webFolder, logger });
const server = serve({ fetch: app.fetch, hostname: config.host, port: config.port }, ({ port }) => {
  // The start script and the tests wait for this line.
  console.log(`Escalier is at http://${config.host}:${port}`);
});

let stopping = false;
function stop(): void {
  if (stopping) return;
  stopping = true;
  server.close(() => void orm.close(true).finally(() => process.exit(0)));
  if ('closeIdleConnections' in server) server.closeIdleConnections();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
