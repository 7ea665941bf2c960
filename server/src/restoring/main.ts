import { readFileSync } from 'node:fs';
import { connect, migrate } from '../connect.ts';
import type { Erasure } from '../features/erasures/index.ts';
import { endAccess } from './end-access.ts';
import { repeatErasures } from './repeat.ts';

/**
 * Run by scripts/restore.mjs on a copy that was just brought back: nothing that opened Escalier when the copy was made opens
 * it any more, and what was erased since is erased again. Prints one line of JSON.
 */
const { DATABASE_URL = '', ESCALIER_ERASURES = '' } = process.env;
const orm = await connect(DATABASE_URL);
try {
  // A copy of another program's database has nothing that Escalier could clean.
  const [row] = await orm.em.execute<{ found: boolean }[]>(
    `select to_regclass('mikro_orm_migrations') is not null as found`,
  );
  if (row?.found === true) await cleanCopy();
  else console.log(JSON.stringify(null));
} finally {
  await orm.close(true);
}

async function cleanCopy(): Promise<void> {
  await migrate(orm);
  const list = readFileSync(ESCALIER_ERASURES, 'utf8')
    .split('\n')
    .filter((line) => line !== '');
  const erasures = list.map((line) => JSON.parse(line) as Erasure);
  const done = await orm.em.fork().transactional(async (tx) => ({
    ended: await endAccess(tx),
    erased: await repeatErasures(tx, erasures),
  }));
  console.log(JSON.stringify(done));
}
