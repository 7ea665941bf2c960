import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA_FOLDER } from './paths.mjs';
import { APP, OWNER, readPasswords } from './postgres-roles.mjs';
import { binariesOf, ensureDatabase, startPostgres } from './postgres.mjs';
import { runSql, targetOf } from './psql.mjs';
import { Refusal } from './say.mjs';

export const DATA = join(DATA_FOLDER, 'postgres');
const NAME = 'escalier';

/**
 * The database to copy or to bring back, as its owner: that of ESCALIER_MIGRATION_URL or DATABASE_URL, the one of this
 * checkout where Escalier runs, or the same started for as long as the work takes.
 * @returns {url, target, binaries, stop()}; target is for `withPassword` and `runSql`.
 */
export async function openDatabase() {
  const given = process.env.ESCALIER_MIGRATION_URL ?? process.env.DATABASE_URL;
  if (given !== undefined)
    return { url: given, target: targetOf(given), binaries: binariesOf(null), stop: async () => {} };
  const running = runningTarget();
  if (running !== null)
    return { url: urlOf(running), target: running, binaries: binariesOf(DATA), stop: async () => {} };
  const postgres = await startPostgres(DATA);
  try {
    ensureDatabase(postgres, NAME);
  } catch (error) {
    await postgres.stop();
    throw error;
  }
  return {
    url: postgres.ownerUrl(NAME),
    target: targetOf(postgres.ownerUrl(NAME)),
    binaries: postgres.binaries,
    stop: postgres.stop,
  };
}

const urlOf = ({ host, port, user, password, database }) =>
  `postgres://${user}:${password}@${host}:${port}/${database}`;

/** PostgreSQL writes its process and its port into a file beside its data. */
function runningTarget() {
  const lock = join(DATA, 'postmaster.pid');
  if (!existsSync(lock)) return null;
  const [pid, , , port] = readFileSync(lock, 'utf8').split('\n');
  if (!existsSync(`/proc/${pid}`)) return null;
  const passwords = readPasswords(DATA);
  if (passwords === null)
    throw new Refusal('Escalier runs from this checkout by an older version: please stop it, and start it once anew.');
  return { host: '127.0.0.1', port: Number(port), user: OWNER, password: passwords.owner, database: NAME };
}

/** How many programs are connected to a database beside the one that asks. */
export function connectionsTo({ binaries, target }) {
  const { status, stdout, stderr } = runSql(
    binaries,
    target,
    `select count(*) from pg_stat_activity
    where datname = current_database() and pid <> pg_backend_pid() and coalesce(backend_type, 'client backend') = 'client backend'`,
  );
  if (status !== 0) throw new Refusal(`The database cannot be reached: ${stderr.trim().split('\n')[0]}`);
  return Number(stdout.trim());
}

/** Lets the application use again what was brought back; harmless where there is no such role. */
export function grantToApp({ binaries, target }) {
  runSql(
    binaries,
    target,
    `do $$ begin
      if exists (select from pg_roles where rolname = '${APP}') then
        grant usage on schema public to ${APP};
        grant select, insert, update, delete on all tables in schema public to ${APP};
        grant usage, select, update on all sequences in schema public to ${APP};
      end if;
    end $$;`,
  );
}
