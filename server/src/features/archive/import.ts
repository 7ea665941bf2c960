import type { FieldProblem } from '@escalier/contract/field-problems';
import { createWriteStream } from 'node:fs';
import { mkdtemp, open, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Result } from '@escalier/core/music';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newToken } from '../../platform/ids.ts';
import { Problem, wrongInput } from '../../platform/problem.ts';
import { ThreadPool, TooMuch } from '../../platform/thread-pool.ts';
import { AccountEntity } from '../accounts/index.ts';
import { logChange } from '../changes/index.ts';
import { ClassEntity } from '../classes/index.ts';
import { BeltStockEntity, InstrumentEntity } from '../instruments/index.ts';
import { NO_PASSWORD } from '../sign-in/index.ts';
import { StaircaseEntity, StepEntity } from '../staircase/index.ts';
import { TermEntity } from '../terms/index.ts';
import { TuneEntity } from '../tunes/index.ts';
import { insertOf, TABLES } from './columns.ts';
import type { Archive } from '@escalier/contract/archive';
import { spoolFile, type Unpacked } from './unpack.ts';
import { t } from '../../platform/messages.ts';

const GIGABYTE = 1024 ** 3;
const MOST_BYTES = GIGABYTE;
const ROWS_AT_ONCE = 1000;
/** Of a district's school, on a slow machine. */
const UNPACK_MS = 10 * 60_000;
const THREADS = 2;
const MEGABYTES = 1024;

export interface Imported {
  readonly classes: number;
  readonly pupils: number;
  readonly records: number;
}

const unpackers = new ThreadPool(import.meta.url, 'unpacker.mjs', { size: THREADS, megabytes: MEGABYTES });

/**
 * Brings an archive into the asker's school, all of it or nothing. The school must have no class yet; its terms, tunes
 * and staircases give way. People come without passwords: the owner gives them links.
 * @param body the archive, of up to a gigabyte; it is laid into a file, checked in a thread, and inserted row by row.
 * @throws Problem 400 that names the first place that is wrong; 409 when the school is not empty; 413.
 */
export async function importSchool(
  em: EntityManager,
  user: SignedIn,
  body: ReadableStream<Uint8Array> | null,
): Promise<Imported> {
  await refuseUnlessEmpty(em, user);
  if (body === null) throw wrongInput({ archive: 'missing' });
  const folder = await mkdtemp(join(tmpdir(), 'escalier-archive-'));
  try {
    const file = join(folder, 'archive.json');
    await receive(body, file);
    const unpacked = await unpack(file, folder);
    return await em.transactional((tx) => bringIn(tx, user, unpacked, folder));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function receive(body: ReadableStream<Uint8Array>, file: string): Promise<void> {
  let bytes = 0;
  const counted = new Transform({
    transform(chunk: Uint8Array, _encoding, done) {
      bytes += chunk.byteLength;
      if (bytes > MOST_BYTES) done(new Problem(413, 'too-large', t('import.the-archive-is-larger-than-a')));
      else done(null, chunk);
    },
  });
  await pipeline(Readable.fromWeb(body as never), counted, createWriteStream(file, { mode: 0o600 }));
}

async function unpack(file: string, folder: string): Promise<Unpacked> {
  try {
    const read = (await unpackers.ask('unpack', [file, folder], UNPACK_MS)) as Result<Unpacked, FieldProblem>;
    if (!read.ok) throw wrongInput({ archive: read.error });
    return read.value;
  } catch (error) {
    if (error instanceof TooMuch) throw wrongInput({ archive: 'too-much' });
    throw error;
  }
}

async function refuseUnlessEmpty(em: EntityManager, user: SignedIn): Promise<void> {
  if ((await em.count(ClassEntity, { school: user.schoolId })) > 0)
    throw new Problem(409, 'not-empty', t('import.this-school-already-has-classes-import'));
}

async function bringIn(tx: EntityManager, user: SignedIn, unpacked: Unpacked, folder: string): Promise<Imported> {
  const school = user.schoolId;
  await tx.execute('select id from school where id = ? for update', [school]);
  await refuseUnlessEmpty(tx, user);
  await refuseOtherRecords(tx, folder);
  await makeRoom(tx, school);
  const { name, timeZone, english, cautions, remarks, noteColours, templates } = unpacked.school;
  await tx.execute(
    `update school set name = ?, time_zone = ?, english = ?::jsonb, cautions = ?::jsonb, remarks = ?::jsonb, note_colours = ?::jsonb, templates = ?::jsonb,
      version = version + 1 where id = ?`,
    [
      name,
      timeZone,
      JSON.stringify(english),
      JSON.stringify(cautions),
      JSON.stringify(remarks),
      JSON.stringify(noteColours),
      JSON.stringify(templates),
      school,
    ],
  );
  const importer = await bringPeople(tx, user, folder);
  for (const part of Object.keys(TABLES) as (keyof typeof TABLES)[]) {
    const { sql, withSchool } = insertOf(part);
    for await (const rows of batches(spoolFile(folder, part)))
      await tx.execute(sql, [...(withSchool ? [school] : []), rows]);
  }
  const what = { code: 'archive-imported', name, date: unpacked.exportedAt.slice(0, 10) } as const;
  await logChange(tx, { schoolId: school, accountId: importer }, null, what);
  const { classes, pupils, records } = unpacked.rows;
  return { classes, pupils, records };
}

/** JSON lists of so many rows of a file. */
async function* batches(file: string): AsyncGenerator<string> {
  const handle = await open(file);
  let lines: string[] = [];
  for await (const line of handle.readLines()) {
    lines.push(line);
    if (lines.length < ROWS_AT_ONCE) continue;
    yield `[${lines.join(',')}]`;
    lines = [];
  }
  if (lines.length > 0) yield `[${lines.join(',')}]`;
}

/** Ids are the same everywhere: an archive comes once into a database. */
async function refuseOtherRecords(tx: EntityManager, folder: string): Promise<void> {
  for await (const rows of batches(spoolFile(folder, 'classes'))) {
    const [found] = await tx.execute<{ count: string }[]>(
      `select count(*) from school_class where id in (select (row ->> 'id')::uuid from json_array_elements(?::json) row)`,
      [rows],
    );
    if (Number(found?.count) > 0) throw new Problem(409, 'here-already', t('import.this-school-is-already-in-the'));
  }
}

/** What a new school begins with is not needed any more. */
async function makeRoom(tx: EntityManager, school: string): Promise<void> {
  const staircases = await tx.find(StaircaseEntity, { school });
  await tx.nativeDelete(StepEntity, { staircase: { $in: staircases.map((staircase) => staircase.id) } });
  await tx.nativeDelete(StaircaseEntity, { school });
  await tx.nativeDelete(TuneEntity, { school });
  await tx.nativeDelete(TermEntity, { school });
  await tx.nativeDelete(BeltStockEntity, { school });
  await tx.nativeDelete(InstrumentEntity, { school });
}

/** Who is here already by e-mail becomes the one of the archive; gives the account of the asker, who stays an owner. */
async function bringPeople(tx: EntityManager, user: SignedIn, folder: string): Promise<string> {
  let importer = user.accountId;
  for await (const rows of batches(spoolFile(folder, 'people'))) {
    for (const person of JSON.parse(rows) as Archive['people'][number][]) {
      const email = person.email.toLowerCase();
      const found = await tx.findOne(AccountEntity, { email });
      if (found === null) {
        const { id, name, role } = person;
        const closedAt = person.closedAt === null ? null : new Date(person.closedAt);
        const account = { id, name, role, closedAt, email, school: user.schoolId };
        await tx.insert(AccountEntity, { ...account, passwordHash: NO_PASSWORD, sealKey: newToken() });
        continue;
      }
      if (found.school !== user.schoolId)
        throw wrongInput({ archive: { code: 'email-elsewhere', name: person.email } });
      const isAsker = found.id === user.accountId;
      if (isAsker) importer = person.id;
      await tx.execute(
        'update account set id = ?, name = ?, role = ?, closed_at = ?, version = version + 1 where id = ?',
        [person.id, person.name, isAsker ? 'owner' : person.role, isAsker ? null : person.closedAt, found.id],
      );
    }
  }
  return importer;
}
