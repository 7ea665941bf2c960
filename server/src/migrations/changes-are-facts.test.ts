import { ChangeFact } from '@escalier/contract/changes';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { connect } from '../connect.ts';
import type { Orm } from '../platform/database.ts';
import { createTestApp, type TestApp } from '../testing/index.ts';
import { ChangesAreFacts } from './changes-are-facts.ts';

let test: TestApp;
let owner: Orm;
beforeAll(async () => {
  test = await createTestApp({ empty: true });
  owner = await connect(test.ownerUrl);
});
afterAll(async () => {
  await owner.close(true);
  await test.close();
});

const SAID: readonly (readonly [words: string, fact: ChangeFact])[] = [
  ['4 Plover: lesson of 2026-03-03 lost, trip: all day', { code: 'lesson-lost', name: '4 Plover', date: '2026-03-03', reason: 'trip: all day' }],
  ['Tune “Goose Walk” added', { code: 'tune-added', title: 'Goose Walk' }],
  ['4 Plover: “Goose Walk”', { code: 'class-tune', name: '4 Plover', title: 'Goose Walk' }],
  ['4 Plover: staircase “From B down”', { code: 'class-staircase', name: '4 Plover', staircase: 'From B down' }],
  ['Ilse: moved from 4 Plover to 4 Otter', { code: 'pupil-moved', name: 'Ilse', from: '4 Plover', to: '4 Otter' }],
  ['Signed in', { code: 'signed-in' }],
  ['Ilse: name, note', { code: 'in-words', words: 'Ilse: name, note' }],
];

it('sentences of earlier versions become the facts that they say, or stay sentences', async () => {
  const migration = new ChangesAreFacts(owner.em.getDriver(), owner.config);
  migration.up();
  const found = await owner.em.transactional(async (tx) => {
    await tx.execute('create schema earlier; set local search_path to earlier; create table change (id int, words text)');
    for (const [index, [words]] of SAID.entries()) await tx.execute('insert into change values (?, ?)', [index, words]);
    for (const query of migration.getQueries()) await tx.execute(query as string);
    return tx.execute<{ what: unknown }[]>('select what from change order by id');
  });
  expect(found.map(({ what }) => ChangeFact.parse(what))).toEqual(SAID.map(([, fact]) => fact));
});
