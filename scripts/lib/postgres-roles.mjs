import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chownSync, existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { runSql } from './psql.mjs';
import { Refusal } from './say.mjs';

/**
 * Three roles, each with a random password of its own: `escalier` is the superuser and comes only by the socket, whose
 * folder nobody else may enter; `escalier_owner` owns the database and migrates it; `escalier_app` reads and writes rows.
 */
export const ADMIN = 'escalier';
export const OWNER = 'escalier_owner';
export const APP = 'escalier_app';

const HBA = `# Written by Escalier at every start.
local  all  ${ADMIN}  scram-sha-256
host   all  ${OWNER}  127.0.0.1/32  scram-sha-256
host   all  ${APP}    127.0.0.1/32  scram-sha-256
`;

const newPassword = () => randomBytes(24).toString('base64url');

/** The passwords of a data folder; null where there are none yet. They lie beside it, readable for its owner alone. */
export function readPasswords(folder) {
  const file = passwordFile(folder);
  if (!existsSync(file)) return null;
  try {
    const { admin, owner, app } = JSON.parse(readFileSync(file, 'utf8'));
    return [admin, owner, app].every((each) => typeof each === 'string') ? { admin, owner, app } : null;
  } catch {
    return null;
  }
}

function passwordFile(folder) {
  return join(dirname(folder), `${folder.split('/').at(-1)}-passwords.json`);
}

export function makePasswords() {
  return { admin: newPassword(), owner: newPassword(), app: newPassword() };
}

export function keepPasswords(folder, passwords) {
  writeFileSync(passwordFile(folder), `${JSON.stringify(passwords)}\n`, { mode: 0o600 });
}

export function writeAccessRules(folder, identity) {
  const file = join(folder, 'pg_hba.conf');
  writeFileSync(file, HBA, { mode: 0o600 });
  if (identity.uid !== undefined) chownSync(file, identity.uid, identity.gid);
}

/**
 * Gives the superuser of a folder a password while nobody can connect: for folders of earlier versions, which let every
 * local account in, and for those whose passwords are lost.
 */
export function resetAdminPassword(folder, binaries, identity, password) {
  const result = spawnSync(join(binaries, 'postgres'), ['--single', '-D', folder, 'postgres'], {
    ...identity,
    cwd: '/',
    encoding: 'utf8',
    input: `set password_encryption = 'scram-sha-256'; alter role ${ADMIN} with login superuser password '${password}';\n`,
  });
  if (result.status !== 0 || /\bERROR\b/.test(`${result.stdout}${result.stderr}`)) {
    throw new Refusal(
      `The database in ${folder} could not be given a password: ${String(result.stderr).trim().split('\n').at(-1)}`,
    );
  }
}

/** Makes the two roles that are no superusers, with the passwords that are kept; says nothing when they are there. */
export function ensureRoles(binaries, admin, { owner, app }) {
  const role = (name, password) => `
    do $$ begin
      if not exists (select from pg_roles where rolname = '${name}') then create role ${name}; end if;
    end $$;
    alter role ${name} with login nosuperuser nocreatedb nocreaterole noreplication password '${password}';`;
  mustRun(binaries, admin, `set password_encryption = 'scram-sha-256';${role(OWNER, owner)}${role(APP, app)}`);
}

/** All that stands in the public schema, one statement each: what an earlier version made as the superuser. */
const HAND_OVER = `
do $$ declare each record; begin
  for each in select c.oid::regclass as name, case c.relkind when 'S' then 'sequence' else 'table' end as kind
    from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p')
      and pg_get_userbyid(c.relowner) <> '${OWNER}' loop
    execute format('alter %s %s owner to ${OWNER}', each.kind, each.name);
  end loop;
  for each in select p.oid::regprocedure as name from pg_proc p
    where p.pronamespace = 'public'::regnamespace and pg_get_userbyid(p.proowner) <> '${OWNER}' loop
    execute format('alter function %s owner to ${OWNER}', each.name);
  end loop;
end $$;`;

const RIGHTS = `
revoke all on schema public from public;
grant usage, create on schema public to ${OWNER};
grant usage on schema public to ${APP};
grant select, insert, update, delete on all tables in schema public to ${APP};
grant usage, select, update on all sequences in schema public to ${APP};
alter default privileges for role ${OWNER} in schema public grant select, insert, update, delete on tables to ${APP};
alter default privileges for role ${OWNER} in schema public grant usage, select, update on sequences to ${APP};`;

/**
 * Makes a database unless it is there; what is there comes into the hands of its owner, with the rights of the app.
 * @param template a database that nobody is connected to: a new one begins as its copy.
 */
export function ensureDatabase(postgres, name, template = 'template1') {
  const { binaries, admin } = postgres;
  const found = mustRun(binaries, admin('postgres'), `select 1 from pg_database where datname = '${name}'`);
  if (found.trim() !== '1')
    mustRun(binaries, admin('postgres'), `create database "${name}" owner ${OWNER} template "${template}";`);
  mustRun(
    binaries,
    admin(name),
    `alter database "${name}" owner to ${OWNER};
    revoke all on database "${name}" from public;
    grant connect, temporary on database "${name}" to ${APP};
    ${HAND_OVER}${RIGHTS}`,
  );
}

function mustRun(binaries, target, sql) {
  const { status, stdout, stderr } = runSql(binaries, target, sql);
  if (status !== 0) throw new Refusal(`The database could not be set up: ${stderr.trim().split('\n')[0]}`);
  return stdout;
}
