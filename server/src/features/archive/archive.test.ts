import type { ChangeLine } from '@escalier/contract/changes';
import type { ClassPage, ClassSummary } from '@escalier/contract/class-pages';
import type { PupilRecord } from '@escalier/contract/pupils';
import type { Refusal } from '@escalier/contract/refusals';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { hearings, type RecordEvent } from '@escalier/core/records';
import { seededRandom } from '@escalier/core/testing';
import { strFromU8, unzipSync } from 'fflate';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEMO_TEACHER } from '../../demo/school.ts';
import { connect } from '../../connect.ts';
import { createTestApp, type TestApp } from '../../testing/index.ts';
import type { Archive } from '@escalier/contract/archive';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp();
});
afterAll(() => test.close());

const first = { school: 'New', timeZone: 'Europe/Oslo', name: 'Mara', email: DEMO_TEACHER.email };

/** A school of its own, with nothing in it but what a first run gives; the cookie of its owner. */
async function emptySchool(): Promise<{ fresh: TestApp; cookie: string }> {
  const fresh = await createTestApp({ empty: true });
  const code = await fresh.setupCode();
  const body = { ...first, code, password: 'four plain words here' };
  const answer = await fresh.send('POST', '/api/first-run', body, null);
  return { fresh, cookie: answer.headers.get('set-cookie')!.split(';')[0]! };
}

async function archiveOf(app: TestApp, cookie = app.cookie): Promise<Archive> {
  return (await (await app.send('GET', '/api/archive', undefined, cookie)).json()) as Archive;
}

async function page(app: TestApp, name: string, cookie = app.cookie): Promise<ClassPage> {
  const list = (await (await app.send('GET', '/api/classes', undefined, cookie)).json()) as ClassSummary[];
  const { id } = list.find((each) => each.name === name)!;
  return (await (await app.send('GET', `/api/classes/${id}`, undefined, cookie)).json()) as ClassPage;
}

/** What is wrong with the file, as one text. */
async function wrongWith(answer: Response): Promise<string> {
  const { archive } = ((await answer.json()) as Refusal).error.fields ?? {};
  return archive?.code === 'file' ? archive.words : JSON.stringify(archive);
}

function asEvent(row: Archive['records'][number], number: number): RecordEvent {
  const { id, pupil: pupilId, step: stepId, remarks, heardAt } = row;
  const receipt = { number, deviceAhead: 0 };
  if (row.kind === 'undone') return { kind: 'undone', id, pupilId, undoes: row.undoes!, receipt };
  const corrects = row.corrects === null ? {} : { corrects: row.corrects };
  return { kind: 'heard', id, pupilId, stepId, outcome: row.outcome!, remarks, heardAt, receipt, ...corrects };
}

describe('the archive of a school', () => {
  it('brought into an empty school gives the same school again', async () => {
    const plover = await page(test, '4 Plover');
    const otter = await page(test, '4 Otter');
    const [moved, away] = plover.pupils;
    await test.send('POST', `/api/pupils/${moved!.id}/move`, { classId: otter.id });
    await test.send('PUT', `/api/pupils/${away!.id}/absence`, { date: '2026-03-03', absent: true });
    const archive = await archiveOf(test);
    expect(JSON.stringify(archive)).not.toContain('argon2');
    const { fresh, cookie } = await emptySchool();
    const answer = await fresh.send('POST', '/api/archive', archive, cookie);
    expect(answer.status).toBe(201);
    expect(await answer.json()).toMatchObject({ classes: 3, pupils: archive.pupils.length });
    const again = await archiveOf(fresh, cookie);
    const isNew = ({ what }: Archive['changes'][number]) =>
      ['school-set-up', 'archive-imported', 'school-exported', 'signed-in'].includes(what.code);
    const whole = ({ changes, exportedAt: _at, ...rest }: Archive) => ({
      ...rest,
      changes: changes.filter((change) => !isNew(change)),
    });
    expect(whole(again)).toEqual(whole(archive));
    expect(await page(fresh, '4 Plover', cookie)).toEqual(await page(test, '4 Plover'));
    await fresh.close();
  });

  it('of an earlier version, whose remarks had another name, is read too', async () => {
    const archive = await archiveOf(test);
    const { remarks: _none, ...school } = archive.school;
    const words = [{ id: 'leak', words: 'Fingers leak', remedy: 'Press until a ring shows.' }];
    const { fresh, cookie } = await emptySchool();
    const earlier = { ...archive, school: { ...school, faults: words } };
    expect((await fresh.send('POST', '/api/archive', earlier, cookie)).status).toBe(201);
    expect((await archiveOf(fresh, cookie)).school.remarks).toEqual(words);
    await fresh.close();
  });

  it('is refused whole by a school with classes, and a broken one by its first error', async () => {
    const archive = await archiveOf(test);
    expect((await test.send('POST', '/api/archive', archive)).status).toBe(409);
    const { fresh, cookie } = await emptySchool();
    const send = (body: unknown) => fresh.send('POST', '/api/archive', body, cookie);
    const stranger = { ...archive.records[0]!, id: v7(), pupil: v7() };
    for (const [body, sentence] of [
      ['no archive', '"at":"format"'],
      [{ ...archive, version: 99 }, '"at":"version"'],
      [
        { ...archive, terms: [{ ...archive.terms[0]!, startsOn: 'soon' }] },
        '"at":"terms.0.startsOn","problem":{"code":"not-date"}',
      ],
      [{ ...archive, records: [stranger] }, 'records, row 1: its pupil isn’t among the archive’s pupils'],
      [{ ...archive, tunes: [{ ...archive.tunes[0]!, abc: 'no tune' }, ...archive.tunes.slice(1)] }, ''],
    ] as const) {
      const answer = await send(body);
      expect(answer.status, sentence).toBe(400);
      expect(await wrongWith(answer)).toContain(sentence);
    }
    const twice = { ...archive, pupils: [...archive.pupils, archive.pupils[0]!] };
    expect(await wrongWith(await send(twice))).toMatch(/^pupils, row \d+: duplicate id/);
    expect(await (await fresh.send('GET', '/api/classes', undefined, cookie)).json()).toEqual([]);
    const stairs = (await (await fresh.send('GET', '/api/staircases', undefined, cookie)).json()) as object[];
    expect(stairs).toHaveLength(7);
    await fresh.close();
  });

  it('brings back whatever can be stored: long, strange and old things too', async () => {
    const archive = await archiveOf(test);
    const random = seededRandom(11);
    const pick = <Value>(list: readonly Value[]): Value => list[Math.floor(random() * list.length)]!;
    const strange = () => pick(['\u202eabc', 'ℕ 🎵 é', "O'Brien; --", 'a'.repeat(5000), '=1+1', '\t\n', '\u0007', ' ']);
    const zones = ['UTC', 'Pacific/Auckland', 'America/Los_Angeles', 'Asia/Kathmandu'];
    for (let run = 0; run < 4; run++) {
      const some = <Row>(rows: readonly Row[], change: (row: Row) => Row): readonly Row[] =>
        rows.map((row) => (random() < 0.3 ? change(row) : row));
      const words = `%${'x'.repeat(Math.floor(random() * 190_000))}\n`;
      const school: Archive = {
        ...archive,
        school: { ...archive.school, name: strange(), timeZone: pick(zones) },
        tunes: archive.tunes.map((tune, index) =>
          index === 0 ? { ...tune, abc: `${tune.abc.trimEnd()}\n${words}` } : tune,
        ),
        pupils: some(archive.pupils, (row) => ({
          ...row,
          shownName: strange(),
          note: strange(),
          joinedOn: '1900-01-01',
        })),
        records: some(archive.records, (row) => ({
          ...row,
          reason: row.kind === 'heard' ? strange() : '',
          deviceAhead: pick([-2_147_483_647, 2_147_483_647, 0]),
          heardAt: pick(['1900-01-01T00:00:00.000Z', '2199-12-31T23:59:59.999Z', row.heardAt]),
        })),
        changes: some(archive.changes, (row) => ({ ...row, words: strange() })),
      };
      const { fresh, cookie } = await emptySchool();
      const answer = await fresh.send('POST', '/api/archive', school, cookie);
      expect(answer.status, await answer.clone().text()).toBe(201);
      const again = await archiveOf(fresh, cookie);
      for (const part of ['school', 'tunes', 'pupils', 'records', 'classes', 'terms'] as const)
        expect(again[part], part).toEqual(school[part]);
      await fresh.close();
    }
  }, 120_000);

  it('comes as tables for a spreadsheet too, with names instead of ids', async () => {
    const answer = await test.send('GET', '/api/archive/tables.zip');
    const bytes = new Uint8Array(await answer.arrayBuffer());
    expect(String.fromCharCode(...bytes.slice(0, 2))).toBe('PK');
    const files = Object.entries(unzipSync(bytes)).map(([name, file]) => [name, strFromU8(file)]);
    const tables = Object.fromEntries(files) as Record<string, string>;
    expect(Object.keys(tables)).toEqual([
      'classes.csv',
      'pupils.csv',
      'records.csv',
      'absences.csv',
      'instruments.csv',
    ]);
    expect(tables['pupils.csv']).toContain('\r\nSamir,4 Plover,1,2026-');
    expect(tables['instruments.csv']).toContain('\r\n30,"Soprano recorder, baroque fingering",school,lost,,,');
    const { records } = await archiveOf(test);
    // One line a hearing, and the heads.
    expect(tables['records.csv']!.trimEnd().split('\r\n')).toHaveLength(hearings(records.map(asEvent)).length + 1);
  });
});

describe('erasing a pupil', () => {
  it('takes the person away and leaves the figures', async () => {
    const before = await page(test, '4 Otter');
    const { id } = before.pupils.find((pupil) => pupil.name === 'Quynh')!;
    const path = `/api/classes/${before.id}/pupils`;
    const [record] = ((await (await test.send('GET', path)).json()) as PupilRecord[]).filter((each) => each.id === id);
    await test.send('PUT', `/api/pupils/${id}`, { ...record, note: 'Likes to sit at the back' });
    const records = (await archiveOf(test)).records.length;
    expect((await test.send('POST', `/api/pupils/${id}/erase`, {})).status).toBe(200);
    const archive = await archiveOf(test);
    expect(JSON.stringify(archive)).not.toMatch(/Quynh|sit at the back/);
    expect(archive.records).toHaveLength(records);
    const after = (await (await test.send('GET', path)).json()) as PupilRecord[];
    expect(after.some((each) => each.id === id)).toBe(false);
    const changes = (await (await test.send('GET', '/api/changes')).json()) as ChangeLine[];
    expect(changes.map((line) => line.what)).toContainEqual({ code: 'pupil-erased' });
  });
});

describe('backup and restore', () => {
  const script = (name: string, args: readonly string[], ownerUrl: string) =>
    spawnSync(process.execPath, [fileURLToPath(new URL(`../../../../scripts/${name}.mjs`, import.meta.url)), ...args], {
      env: { ...process.env, ESCALIER_MIGRATION_URL: ownerUrl },
      encoding: 'utf8',
    });

  it('by PostgreSQL’s own tools bring every row back, and refuse what is no copy', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'escalier-backup-')), 'school.dump');
    const made = script('backup', ['--to', file], test.ownerUrl);
    expect(made.status, made.stderr).toBe(0);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    const { fresh } = await emptySchool();
    const running = script('restore', [file, '--yes'], fresh.ownerUrl);
    expect(running.stderr).toContain('connected to this database');
    await fresh.close();
    expect(script('restore', [file], fresh.ownerUrl).stderr).toContain('--yes');
    const back = script('restore', [file, '--yes'], fresh.ownerUrl);
    expect(back.status, back.stderr).toBe(0);
    const sums = async ({ databaseUrl }: TestApp) => {
      // As the application, which has its rights again.
      const orm = await connect(databaseUrl);
      const found = await orm.em.execute(
        `select (select count(*) from record_event) as records, (select count(*) from pupil) as pupils,
        (select md5(string_agg(id::text || heard_at::text, ' ' order by id)) from record_event) as sum`,
      );
      await orm.close(true);
      return found;
    };
    expect(await sums(fresh)).toEqual(await sums(test));
    const broken = join(tmpdir(), `escalier-no-copy-${process.pid}`);
    writeFileSync(broken, 'no copy');
    const refused = script('restore', [broken, '--yes'], fresh.ownerUrl);
    expect(refused.status).not.toBe(0);
    expect(refused.stderr).toContain('Nothing was changed');
    expect(await sums(fresh)).toEqual(await sums(test));
  });
});
