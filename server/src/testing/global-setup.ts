import type { TestProject } from 'vitest/node';
import { connect, migrate } from '../connect.ts';

declare module 'vitest' {
  interface ProvidedContext {
    /** Addresses of a PostgreSQL for tests, up to the name of a database: `npm run test:server` starts it. */
    postgres: { readonly owner: string; readonly app: string };
    template: string;
  }
}

const TEMPLATE = 'escalier_template';

/** One migrated database, of which every test file gets a copy. */
export default async function setup(project: TestProject): Promise<void> {
  const { ESCALIER_TEST_POSTGRES: owner, ESCALIER_TEST_POSTGRES_APP: app } = process.env;
  if (owner === undefined || app === undefined) throw new Error('Please run these tests by: npm run test:server');
  const admin = await connect(`${owner}postgres`);
  await admin.em.execute(`drop database if exists ${TEMPLATE}`);
  await admin.em.execute(`create database ${TEMPLATE}`);
  await admin.close(true);
  const orm = await connect(`${owner}${TEMPLATE}`);
  await orm.em
    .execute(`alter default privileges in schema public grant select, insert, update, delete on tables to escalier_app;
    alter default privileges in schema public grant usage, select, update on sequences to escalier_app;`);
  await migrate(orm);
  await orm.close(true);
  project.provide('postgres', { owner, app });
  project.provide('template', TEMPLATE);
}
