import { ensurePackages } from './lib/packages.mjs';
import { binary } from './lib/paths.mjs';
import { ensureDatabase, startTemporaryPostgres } from './lib/postgres.mjs';
import { runShown } from './lib/processes.mjs';
import { run } from './lib/say.mjs';

/** Prints the SQL that is missing between the migrations and the entities. */
await run(async () => {
  ensurePackages();
  const postgres = await startTemporaryPostgres();
  try {
    ensureDatabase(postgres, 'migration');
    runShown(binary('tsx'), ['server/src/platform/make-migration.ts'], {
      env: { DATABASE_URL: postgres.ownerUrl('migration') },
    });
  } finally {
    await postgres.stop();
  }
});
