import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What is needed to reach a database as somebody: {host, port, user, password, database}. */

/**
 * Runs a program of PostgreSQL with a password that stands neither on its command line nor in its environment.
 * @param target {host, port, user, password, database}; a password of undefined leaves the file out.
 * @returns {{status: number | null, stdout: string, stderr: string}}
 */
export function withPassword({ host, port, user, password, database }, command, args, options = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'esc-pass-'));
  try {
    const file = join(folder, 'pass');
    const escaped = (text) => String(text).replace(/[\\:]/g, '\\$&');
    if (password !== undefined) writeFileSync(file, `*:*:*:${escaped(user)}:${escaped(password)}\n`, { mode: 0o600 });
    return spawnSync(command, args, {
      encoding: 'utf8',
      maxBuffer: 64 * 1024 * 1024,
      ...options,
      env: {
        ...process.env,
        PGHOST: host,
        PGPORT: String(port),
        PGUSER: user,
        PGDATABASE: database,
        PGPASSFILE: file,
        PGCONNECT_TIMEOUT: '15',
        ...options.env,
      },
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The parts of a `postgres://` address; what stands behind the question mark becomes settings of the environment. */
export function targetOf(url) {
  const { hostname, port, username, password, pathname, searchParams } = new URL(url);
  const sslmode = searchParams.get('sslmode');
  return {
    host: searchParams.get('host') ?? (hostname === '' ? '127.0.0.1' : decodeURIComponent(hostname)),
    port: port === '' ? 5432 : Number(port),
    user: decodeURIComponent(username),
    password: password === '' ? undefined : decodeURIComponent(password),
    database: decodeURIComponent(pathname.slice(1)),
    env: sslmode === null ? {} : { PGSSLMODE: sslmode },
  };
}

/**
 * Runs SQL that comes by standard input, so that no secret in it stands on a command line.
 * @returns {{status: number | null, stdout: string, stderr: string}}
 */
export function runSql(binaries, target, sql) {
  const args = ['-X', '-q', '-t', '-A', '-v', 'ON_ERROR_STOP=1', '-f', '-'];
  return withPassword(target, join(binaries, 'psql'), args, { input: sql, env: target.env });
}
