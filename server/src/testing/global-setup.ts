import type { TestProject } from 'vitest/node';
import { connect, migrate } from '../connect.ts';

declare module 'vitest' {
  interface ProvidedContext {
    /** Address of a PostgreSQL for tests, without a database: `npm run test:server` starts it. */
    postgres: string;
    template: string;
  }
}

const TEMPLATE = 'escalier_template';

/** One migrated database, of which every test file gets a copy. */
export default async function setup(project: TestProject): Promise<void> {
  const postgres = process.env.ESCALIER_TEST_POSTGRES;
  if (postgres === undefined) throw new Error('Please run these tests by: npm run test:server');
  const admin = await connect(`${postgres}/postgres`);
  await admin.em.execute(`drop database if exists ${TEMPLATE}`);
  await admin.em.execute(`create database ${TEMPLATE}`);
  await admin.close(true);
  const orm = await connect(`${postgres}/${TEMPLATE}`);
  await migrate(orm);
  await orm.close(true);
  project.provide('postgres', postgres);
  project.provide('template', TEMPLATE);
}
