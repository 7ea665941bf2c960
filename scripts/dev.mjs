import { join } from 'node:path';
import { ensurePackages } from './lib/packages.mjs';
import { binary, STATE, TUNES } from './lib/paths.mjs';
import { freePort } from './lib/ports.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { start, stopOnSignals } from './lib/processes.mjs';
import { buildServer } from './lib/product.mjs';
import { run, say } from './lib/say.mjs';

/** For developers: the web with hot reload, the server with restart on change, a database of its own. */
await run(async () => {
  ensurePackages();
  const postgres = await startPostgres(join(STATE, 'postgres-dev'));
  const children = [];
  const stop = stopOnSignals(async () => {
    for (const { child } of children) child.kill('SIGTERM');
    await Promise.all(children.map(({ ended }) => ended));
    await postgres.stop();
  });
  try {
    ensureDatabase(postgres, 'escalier');
    const port = await freePort();
    const api = `http://127.0.0.1:${port}`;
    const server = {
      ...process.env,
      DATABASE_URL: postgres.url('escalier'),
      ESCALIER_MIGRATION_URL: postgres.ownerUrl('escalier'),
      ESCALIER_PORT: String(port),
      ESCALIER_DEMO_TUNES: TUNES,
      ESCALIER_LOG: 'info',
      ESCALIER_THREADS: buildServer(),
    };
    children.push(start(binary('tsx'), ['watch', 'server/src/main.ts'], { env: server, detached: true }));
    children.push(
      start(binary('vite'), ['--config', 'web/vite.config.ts'], {
        env: { ...process.env, ESCALIER_API: api },
        detached: true,
      }),
    );
    say(`The server restarts and the web reloads on change. API: ${api}`);
    await Promise.race(children.map(({ ended }) => ended));
  } finally {
    await stop();
  }
});
