import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { ensureDatabase, startPostgres } from '../scripts/lib/postgres.mjs';
import { runSql } from '../scripts/lib/psql.mjs';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

let folder: string;
let started: ChildProcess | null = null;
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'escalier-start-'));
  chmodSync(folder, 0o711);
});
test.afterEach(() => {
  started?.kill('SIGTERM');
  started = null;
  rmSync(folder, { recursive: true, force: true });
});

const isAlive = (pid: number): boolean => existsSync(`/proc/${pid}`);

/** npm start with data of its own; what it has said so far, and a wait for more. */
function npmStart(): {
  readonly child: ChildProcess;
  readonly says: (words: RegExp, times?: number) => Promise<string[]>;
} {
  const child = spawn('npm', ['start', '--', '--no-demo'], {
    cwd: ROOT,
    env: { ...process.env, ESCALIER_DATA: folder },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  started = child;
  let said = '';
  child.stdout.on('data', (text: Buffer) => (said += text.toString()));
  child.stderr.on('data', (text: Buffer) => (said += text.toString()));
  const says = async (words: RegExp, times = 1): Promise<string[]> => {
    const all = () => [...said.matchAll(new RegExp(words, 'g'))].map((match) => match[1] ?? match[0]);
    await expect.poll(() => all().length, { message: said, timeout: 120_000 }).toBeGreaterThanOrEqual(times);
    return all();
  };
  return { child, says };
}

/** The process that listens on a port of this machine. */
function listenerOf(address: string): number {
  const { stdout } = spawnSync('pgrep', ['-f', `${ROOT}.escalier/server/main.mjs`], { encoding: 'utf8' });
  const port = new URL(address).port;
  const found = stdout
    .trim()
    .split('\n')
    .map(Number)
    .find((pid) => readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`ESCALIER_PORT=${port}\0`));
  if (found === undefined) throw new Error(`Nobody listens at ${address}`);
  return found;
}

test(
  'npm start brings a server that died up again, and SIGTERM leaves neither it nor PostgreSQL behind',
  { tag: '@long' },
  async () => {
    const { child, says } = npmStart();
    const [address] = await says(/Escalier is ready: (\S+)/);
    await says(/asked for this code: (\S+)/);
    const postgres = Number(readFileSync(join(folder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0]);
    process.kill(listenerOf(address!), 'SIGKILL');
    await says(/The server has died/);
    await says(/The server runs again/);
    expect((await fetch(`${address!}/api/health`)).status).toBe(200);
    const server = listenerOf(address!);
    child.kill('SIGTERM');
    await expect.poll(() => [isAlive(server), isAlive(postgres)], { timeout: 30_000 }).toEqual([false, false]);
  },
);

test('nobody of this machine becomes the owner of the data: passwords, roles, and files for one’s own eyes', async () => {
  const data = join(folder, 'data');
  const postgres = await startPostgres(data);
  try {
    ensureDatabase(postgres, 'escalier');
    const { port } = postgres.admin('escalier');
    const as = (user: string, password: string | undefined, sql: string, host = '127.0.0.1') =>
      runSql(postgres.binaries, { host, port, user, password, database: 'escalier' }, sql);
    for (const user of ['escalier', 'escalier_owner', 'escalier_app', 'postgres'])
      expect(as(user, undefined, 'select 1').status, user).not.toBe(0);
    const admin = postgres.admin('escalier');
    // The superuser comes by no network at all, whatever the password.
    expect(as('escalier', admin.password, 'select 1').status).not.toBe(0);
    const app = new URL(postgres.url('escalier'));
    const run = as('escalier_app', app.password, "copy (select 1) to program 'touch /tmp/was-here'");
    expect(run.stderr).toContain('must be superuser');
    expect(as('escalier_app', app.password, 'create table mine (x int)').stderr).toContain('permission denied');
    expect(as('escalier_app', app.password, 'drop database escalier').status).not.toBe(0);
    expect(statSync(join(folder, 'data-passwords.json')).mode & 0o777).toBe(0o600);
    expect(statSync(data).mode & 0o777).toBe(0o700);
  } finally {
    await postgres.stop();
  }
});

test(
  'a folder of an earlier version, which trusted every account, is carried over with its data',
  { tag: '@long' },
  async () => {
    const data = join(folder, 'data');
    const before = await startPostgres(data);
    ensureDatabase(before, 'escalier');
    const sql = (text: string) => {
      const { status, stderr, stdout } = runSql(before.binaries, before.admin('escalier'), text);
      expect(status, stderr).toBe(0);
      return stdout;
    };
    // As it was: the superuser owns everything, and there is one role.
    sql(`create table pupil (id int primary key, number int generated by default as identity, name text);
    insert into pupil (id, name) values (1, 'Nils');
    create function kept() returns trigger language plpgsql as 'begin return new; end';
    create trigger kept before update on pupil for each row execute function kept();
    alter database escalier owner to escalier; drop owned by escalier_app; drop owned by escalier_owner;
    revoke all on schema public from public; grant all on schema public to public;
    alter role escalier password null; drop role escalier_app; drop role escalier_owner;`);
    await before.stop();
    rmSync(join(folder, 'data-passwords.json'));
    writeFileSync(join(data, 'pg_hba.conf'), 'local all all trust\nhost all all 127.0.0.1/32 trust\n');

    const after = await startPostgres(data);
    try {
      ensureDatabase(after, 'escalier');
      const app = new URL(after.url('escalier'));
      const { port } = after.admin('escalier');
      const target = { host: '127.0.0.1', port, user: 'escalier_app', password: app.password, database: 'escalier' };
      const ask = (text: string) => runSql(after.binaries, target, text);
      expect(ask('select name from pupil').stdout.trim()).toBe('Nils');
      expect(ask("insert into pupil (id, name) values (2, 'Ada')").stderr).toBe('');
      expect(ask('drop table pupil').stderr).toContain('must be owner');
      expect(ask('select tableowner from pg_tables where tablename = $$pupil$$').stdout.trim()).toBe('escalier_owner');
      expect(runSql(after.binaries, { ...target, user: 'escalier', password: undefined }, 'select 1').status).not.toBe(
        0,
      );
    } finally {
      await after.stop();
    }
  },
);

test('restoring into a folder with nothing in it works, and a failed one breaks nothing', async () => {
  const fresh = join(folder, 'fresh');
  const script = (name: string, args: readonly string[], data: string) =>
    spawnSync(process.execPath, [join(ROOT, 'scripts', `${name}.mjs`), ...args], {
      env: { ...process.env, ESCALIER_DATA: data },
      encoding: 'utf8',
    });
  const broken = join(folder, 'broken.dump');
  writeFileSync(broken, 'no copy');
  const refused = script('restore', [broken, '--yes'], fresh);
  expect(refused.status).not.toBe(0);
  expect(refused.stderr).toContain('Nothing was changed');
  const source = await startPostgres(join(folder, 'source', 'postgres'));
  ensureDatabase(source, 'escalier');
  const owner = new URL(source.ownerUrl('escalier'));
  const target = { host: owner.hostname, port: Number(owner.port), user: owner.username, password: owner.password };
  runSql(
    source.binaries,
    { ...target, database: 'escalier' },
    "create table tune (title text); insert into tune values ('Goose Walk');",
  );
  await source.stop();
  const copy = join(folder, 'copy.dump');
  const made = script('backup', ['--to', copy], join(folder, 'source'));
  expect(made.status, made.stderr).toBe(0);
  const back = script('restore', [copy, '--yes'], fresh);
  expect(back.status, back.stderr).toBe(0);
  const postgres = await startPostgres(join(fresh, 'postgres'));
  try {
    const app = new URL(postgres.url('escalier'));
    const as = {
      host: app.hostname,
      port: Number(app.port),
      user: app.username,
      password: app.password,
      database: 'escalier',
    };
    expect(runSql(postgres.binaries, as, 'select title from tune').stdout.trim()).toBe('Goose Walk');
  } finally {
    await postgres.stop();
  }
});
