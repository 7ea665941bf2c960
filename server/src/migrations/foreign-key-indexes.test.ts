import { afterAll,beforeAll,expect,it } from 'vitest';
import { createTestApp,type TestApp } from '../testing/index.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp({ empty: true });
});
afterAll(() => test.close());

/** Accounts are closed and never deleted, and nothing is looked for by who wrote it down. */
const NEVER_LOOKED_FOR = 'account';

const WITHOUT_INDEX = `
select con.conrelid::regclass::text || '.' || a.attname as column
from pg_constraint con
join pg_attribute a on a.attrelid = con.conrelid and a.attnum = con.conkey[1]
where con.contype = 'f' and con.confrelid::regclass::text <> '${NEVER_LOOKED_FOR}'
and not exists (select 1 from pg_index i where i.indrelid = con.conrelid and i.indkey[0] = con.conkey[1])
order by 1`;

it('every foreign key has an index, so that nothing is erased or found by walking through a table', async () => {
  const rows = await test.orm.em.fork().execute<{ column: string }[]>(WITHOUT_INDEX);
  expect(rows.map(({ column }) => column)).toEqual([]);
});
