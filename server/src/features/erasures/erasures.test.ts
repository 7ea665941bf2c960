import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { Trace } from '@escalier/contract/pupils';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import { endAccess } from '../../restoring/end-access.ts';
import { repeatErasures } from '../../restoring/repeat.ts';
import { keepErasuresIn, type Erasure } from './list.ts';
import { PLACES } from './places.ts';

/** A name that stands nowhere in the demo. */
const NAME = 'Quillon Éa';

let test: TestApp;
let page: ClassPage;
let pupilId = '';
const folder = mkdtempSync(join(tmpdir(), 'escalier-erasures-'));
const sql = (text: string, values: readonly unknown[] = []) => test.orm.em.fork().execute(text, [...values]);

beforeAll(async () => {
  test = await createTestApp();
  const classes = (await (await test.send('GET', '/api/classes')).json()) as readonly ClassSummary[];
  page = (await (await test.send('GET', `/api/classes/${classes[0]!.id}`)).json()) as ClassPage;
  pupilId = page.pupils.find(({ leftOn }) => leftOn === null)!.id;
  await sql('update pupil set shown_name = ? where id = ?', [NAME, pupilId]);
  keepErasuresIn(join(folder, 'erasures.jsonl'));
});
afterAll(async () => {
  keepErasuresIn(null);
  rmSync(folder, { recursive: true });
  await test.close();
});

const traces = async () => (await (await test.send('GET', `/api/pupils/${pupilId}/traces`)).json()) as readonly Trace[];

/** Every table in which a text, or a text within JSON, holds the name. */
async function tablesWith(name: string): Promise<readonly string[]> {
  const tables = await sql(
    `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  );
  const found: string[] = [];
  for (const { name: table } of tables as { name: string }[])
    if ((await sql(`select 1 from "${table}" t where t::text ilike ?`, [`%${name}%`])).length > 0) found.push(table);
  return found;
}

/** Writes the name where people write: a note on an instrument, a remark of a lesson, a task, another pupil's note … */
async function writeEverywhere(): Promise<void> {
  const [school] = (await sql('select id from school')) as { id: string }[];
  await sql(`update instrument set note = ? where id = (select id from instrument limit 1)`, [`${NAME} dropped it`]);
  const content = { kind: 'remark', text: `“${NAME} helps the others”` };
  await sql(
    `insert into lesson_event (id, school_class_id, account_id, date, at, kind, content)
      select ?, ?, a.id, '2026-03-03', now(), 'note', ?::jsonb from account a limit 1`,
    [v7(), page.id, JSON.stringify(content)],
  );
  const task = { tuneId: page.steps[0]!.tuneId, bars: null, tempo: null, words: `Like quillon éa did.` };
  await sql(`insert into room (school_class_id, school_id, until, task) values (?, ?, '2026-03-31', ?::jsonb)`, [
    page.id,
    school!.id,
    JSON.stringify(task),
  ]);
  await sql(`update pupil set note = 'Sits by Quillon.' where id = ?`, [page.pupils.at(-1)!.id]);
  await sql(`update pupil set note = 'Not Quillonia.' where id = ?`, [page.pupils.at(-2)!.id]);
}

describe('erasing a pupil', () => {
  it('offers every text in which the name stands, and says which may mean another', async () => {
    await writeEverywhere();
    const found = await traces();
    expect(found.map(({ place, isWhole }) => [place, isWhole])).toEqual([
      ['instrument-note', true],
      ['lesson-remark', true],
      ['week-task', true],
      ['pupil-note', false],
    ]);
    expect(found[1]!.words).toBe(`“${NAME} helps the others”`);
  });

  it('takes the name out of what was confirmed, and of all tables', async () => {
    const clean = (await traces()).map(({ place, key }) => ({ place, key }));
    const erased = await test.send('POST', `/api/pupils/${pupilId}/erase`, { clean });
    expect(erased.status, await erased.clone().text()).toBe(200);
    expect(await tablesWith(NAME)).toEqual([]);
    expect(await sql(`select note from pupil where note like 'Sits by%'`)).toEqual([{ note: 'Sits by ….' }]);
    expect(await sql(`select note from pupil where note like 'Not %'`)).toEqual([{ note: 'Not Quillonia.' }]);
    expect(await sql(`select content->>'text' as text from lesson_event where kind = 'note'`)).toEqual([
      { text: '“… helps the others”' },
    ]);
    const archive = await (await test.send('GET', '/api/archive')).text();
    expect(archive).not.toContain(NAME);
  });

  it('looks at every column that holds text of people', async () => {
    const columns = (await sql(
      `select table_name as "table", column_name as "column" from information_schema.columns
        where table_schema = 'public' and data_type in ('text', 'jsonb', 'character varying')`,
    )) as { table: string; column: string }[];
    const known = new Set(PLACES.map(({ table, column }) => `${table}.${column}`));
    const left = columns.map(({ table, column }) => `${table}.${column}`).filter((name) => !known.has(name));
    expect(left.toSorted()).toEqual(NOT_FREE.toSorted());
  });
});

/** Codes, ids, hashes and choices; names and addresses of the staff; the picture name of a slip, which is nobody's. */
const NOT_FREE: readonly string[] = [
  ...['account.email', 'account.name', 'account.password_hash', 'account.role', 'account.seal_key'],
  ...['belt_stock.belt', 'belt_stock.way'],
  ...['class_note.note'],
  ...['class_tune.breaths'],
  ...['door.picture_name', 'door.words_hash'],
  ...['door_key.token_hash'],
  ...['erasure.key', 'erasure.kind'],
  ...['instrument.condition', 'instrument.kind', 'instrument.owner'],
  ...['invitation.class_ids', 'invitation.role', 'invitation.token_hash'],
  ...['kept_standing.rules', 'kept_standing.standing'],
  ...['known_device.token_hash'],
  ...['lesson_event.kind'],
  ...['mikro_orm_migrations.name'],
  ...['pupil.plays_instead', 'pupil.print_size'],
  ...['rate_limit.key'],
  ...['record_event.details', 'record_event.kind', 'record_event.outcome', 'record_event.remarks'],
  ...['recording.type'],
  ...['school.english', 'school.name', 'school.note_colours', 'school.time_zone'],
  ...['school_class.calendar_token', 'school_class.meetings'],
  ...['session.device', 'session.token_hash'],
  ...['setup_code.code'],
  ...['staircase.instrument', 'staircase.note_order'],
  ...['step.belt', 'step.pass_rule'],
  ...['step_tune.role'],
  ...['term.rotation'],
  ...['tune.content'],
];

describe('a copy that is brought back', () => {
  it('is cleaned by the list beside the copies, in which no name stands', async () => {
    const list = readFileSync(join(folder, 'erasures.jsonl'), 'utf8');
    expect(list).not.toMatch(/quillon/iu);
    const erasures = list
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Erasure);
    // As the copy had it.
    await sql(`update pupil set shown_name = ?, erased_at = null, left_on = null where id = ?`, [NAME, pupilId]);
    await sql(`update instrument set note = ? where note like '%dropped it'`, [`${NAME} dropped it`]);
    const done = await test.orm.em.fork().transactional((tx) => repeatErasures(tx, erasures));
    expect(done).toMatchObject({ pupils: 1, texts: 4 });
    expect(await tablesWith(NAME)).toEqual([]);
    expect(await test.orm.em.fork().transactional((tx) => repeatErasures(tx, erasures))).toMatchObject({ pupils: 0 });
  });

  it('lets nobody in who could come in when it was made', async () => {
    const ended = await test.orm.em.fork().transactional((tx) => endAccess(tx));
    expect(ended.sessions).toBeGreaterThan(0);
    expect(ended.devices).toBeGreaterThan(0);
    expect((await test.send('GET', '/api/session')).status).toBe(401);
  });
});
