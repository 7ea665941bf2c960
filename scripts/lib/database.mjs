import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { STATE } from './paths.mjs';
import { binariesOf, ensureDatabase, startPostgres } from './postgres.mjs';

export const DATA = join(STATE, 'postgres');
const NAME = 'escalier';

/**
 * The database to copy or to bring back: that of DATABASE_URL, the one of this checkout where Escalier runs, or the same
 * started for as long as the work takes.
 * @returns {url, binaries, running, stop()}
 */
export async function openDatabase() {
  const given = process.env.DATABASE_URL;
  if (given !== undefined) return { url: given, binaries: binariesOf(null), running: false, stop: async () => {} };
  const running = runningUrl();
  if (running !== null) return { url: running, binaries: binariesOf(DATA), running: true, stop: async () => {} };
  const postgres = await startPostgres(DATA);
  ensureDatabase(postgres, NAME);
  return { url: postgres.url(NAME), binaries: postgres.binaries, running: false, stop: postgres.stop };
}

/** PostgreSQL writes its process and its port into a file beside its data. */
function runningUrl() {
  const lock = join(DATA, 'postmaster.pid');
  if (!existsSync(lock)) return null;
  const [pid, , , port] = readFileSync(lock, 'utf8').split('\n');
  return existsSync(`/proc/${pid}`) ? `postgres://escalier@127.0.0.1:${port}/${NAME}` : null;
}
