import type { TestProject } from 'vitest/node';
import { connect, migrate } from '../connect.ts';
import { seedDemo } from '../demo/seed.ts';
import { TEST_NOW, TUNES_FOLDER } from './constants.ts';

declare module 'vitest' {
  interface ProvidedContext {
    /** Addresses of a PostgreSQL for tests, up to the name of a database: `npm run test:server` starts it. */
    postgres: { readonly owner: string; readonly app: string };
    /** Migrated and empty. */
    template: string;
    /** With the demo school. */
    demoTemplate: string;
  }
}

const TEMPLATE = 'escalier_template';
const DEMO_TEMPLATE = 'escalier_demo_template';

/** Two migrated databases, one empty and one with the demo school, of which every test file gets a copy. */
export default async function setup(project: TestProject): Promise<void> {
  const { ESCALIER_TEST_POSTGRES: owner, ESCALIER_TEST_POSTGRES_APP: app } = process.env;
  if (owner === undefined || app === undefined) throw new Error('Please run these tests by: npm run test:server');
  const admin = await connect(`${owner}postgres`);
  await admin.em.execute(`drop database if exists ${DEMO_TEMPLATE}`);
  await admin.em.execute(`drop database if exists ${TEMPLATE}`);
  await admin.em.execute(`create database ${TEMPLATE}`);
  const orm = await connect(`${owner}${TEMPLATE}`);
  await orm.em
    .execute(`alter default privileges in schema public grant select, insert, update, delete on tables to escalier_app;
    alter default privileges in schema public grant usage, select, update on sequences to escalier_app;`);
  await migrate(orm);
  await orm.close(true);
  await admin.em.execute(`create database ${DEMO_TEMPLATE} template ${TEMPLATE}`);
  await admin.close(true);
  const demo = await connect(`${owner}${DEMO_TEMPLATE}`);
  await seedDemo(demo, TUNES_FOLDER, TEST_NOW);
  await demo.close(true);
  project.provide('postgres', { owner, app });
  project.provide('template', TEMPLATE);
  project.provide('demoTemplate', DEMO_TEMPLATE);
}
