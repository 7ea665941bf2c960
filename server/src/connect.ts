import { MikroORM } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { entities } from './entities.ts';
import { migrations } from './migrations/index.ts';
import type { Orm } from './platform/database.ts';
import { LOCKS } from './platform/locks.ts';

/** Connects without discovering files; one pool a process. */
export async function connect(databaseUrl: string): Promise<Orm> {
  return MikroORM.init({
    clientUrl: databaseUrl,
    entities,
    extensions: [Migrator],
    discovery: { disableDynamicFileAccess: true },
    migrations: { migrationsList: [...migrations], snapshot: false, silent: true },
    pool: { min: 0, max: 10 },
    forceUtcTimezone: true,
  });
}

/** Brings the tables up to date; servers that start at one moment come one after the other. */
export async function migrate(orm: Orm): Promise<void> {
  await orm.em.fork().transactional(async (em) => {
    await em.execute('select pg_advisory_xact_lock(?)', [LOCKS.migrations]);
    await orm.getMigrator().up();
  });
}
