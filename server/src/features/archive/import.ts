import { UniqueConstraintViolationException, type EntityName, type RequiredEntityData } from '@mikro-orm/core';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { Problem, wrongInput } from '../../platform/problem.ts';
import { AbsenceEntity, ClassEntity, ClassTeacherEntity, ClassTuneEntity } from '../classes/index.ts';
import { PupilEntity, PupilMoveEntity } from '../classes/index.ts';
import { RecordEventEntity } from '../hearing/index.ts';
import { BeltGivenEntity, BeltStockEntity, InstrumentEntity, LoanEntity } from '../instruments/index.ts';
import {
  AccountEntity,
  ChangeEntity,
  hashPassword,
  newToken,
  noteChange,
  SchoolEntity,
  TermEntity,
} from '../schools/index.ts';
import { StaircaseEntity, StepEntity, StepTuneEntity } from '../staircase/index.ts';
import { readText, TuneEntity } from '../tunes/index.ts';
import { archiveSchema, danglingReference, type Archive } from './format.ts';

const ROWS_AT_ONCE = 1000;

export interface Imported {
  readonly classes: number;
  readonly pupils: number;
  readonly records: number;
}

/** @throws Problem 400 that names the first place that is wrong. */
export function readArchive(body: unknown): Archive {
  const read = archiveSchema.safeParse(body);
  if (!read.success) {
    const [issue] = read.error.issues;
    const place = issue?.path.map(String).join('.') ?? '';
    throw wrongInput({ archive: `This is no archive of a school: at ${place || 'the beginning'}: ${issue?.message}` });
  }
  const dangling = danglingReference(read.data);
  if (dangling !== null) throw wrongInput({ archive: dangling });
  return read.data;
}

/**
 * Brings an archive into the asker's school, all of it or nothing. The school must have no class yet; its terms, tunes
 * and staircases give way. People come without passwords: the owner gives them links.
 * @throws Problem 409 when the school is not empty, or the records are in this database already.
 */
export async function importSchool(em: EntityManager, who: SignedIn, archive: Archive): Promise<Imported> {
  try {
    return await em.transactional((tx) => bringIn(tx, who, archive));
  } catch (error) {
    if (!(error instanceof UniqueConstraintViolationException)) throw error;
    throw new Problem(
      409,
      'there-already',
      'Something of this archive is in this database already. Nothing was taken over.',
    );
  }
}

async function bringIn(tx: EntityManager, who: SignedIn, archive: Archive): Promise<Imported> {
  const school = who.schoolId;
  await tx.execute('select id from school where id = ? for update', [school]);
  if ((await tx.count(ClassEntity, { school })) > 0)
    throw new Problem(409, 'not-empty', 'This school has classes: an archive comes only into an empty one.');
  await makeRoom(tx, school);
  await tx.nativeUpdate(SchoolEntity, { id: school }, archive.school);
  const importer = await bringPeople(tx, who, archive);
  const tunes = archive.tunes.map((tune) => ({ ...tune, content: readText(tune.abc).content }));
  const inSchool = <Row extends object>(rows: readonly Row[]) => rows.map((row) => ({ ...row, school }));
  await insertAll(tx, TermEntity, inSchool(archive.terms));
  await insertAll(tx, TuneEntity, inSchool(tunes));
  await insertAll(tx, StaircaseEntity, inSchool(archive.staircases));
  await insertAll(tx, StepEntity, archive.steps);
  await insertAll(tx, StepTuneEntity, archive.stepTunes);
  await insertAll(tx, ClassEntity, inSchool(archive.classes.map((each) => ({ ...each, calendarToken: null }))));
  await insertAll(tx, ClassTeacherEntity, archive.classTeachers);
  await insertAll(tx, PupilEntity, inSchool(archive.pupils));
  await insertAll(tx, PupilMoveEntity, archive.moves);
  await insertAll(tx, AbsenceEntity, archive.absences);
  await insertAll(tx, ClassTuneEntity, archive.classTunes);
  // In the order of the archive: so they get their numbers.
  await insertAll(tx, RecordEventEntity, inSchool(archive.records));
  await insertAll(tx, InstrumentEntity, inSchool(archive.instruments));
  await insertAll(tx, LoanEntity, archive.loans);
  await insertAll(tx, BeltStockEntity, inSchool(archive.beltStock));
  await insertAll(tx, BeltGivenEntity, archive.beltsGiven);
  await insertAll(tx, ChangeEntity, inSchool(archive.changes));
  const words = `Archive of ${archive.school.name} of ${archive.exportedAt.slice(0, 10)} brought in`;
  await noteChange(tx, { schoolId: school, accountId: importer }, null, words);
  return { classes: archive.classes.length, pupils: archive.pupils.length, records: archive.records.length };
}

/** What a new school begins with is not needed any more. */
async function makeRoom(tx: EntityManager, school: string): Promise<void> {
  const staircases = await tx.find(StaircaseEntity, { school });
  await tx.nativeDelete(StepEntity, { staircase: { $in: staircases.map((each) => each.id) } });
  await tx.nativeDelete(StaircaseEntity, { school });
  await tx.nativeDelete(TuneEntity, { school });
  await tx.nativeDelete(TermEntity, { school });
  await tx.nativeDelete(BeltStockEntity, { school });
  await tx.nativeDelete(InstrumentEntity, { school });
}

/** Who is here already by e-mail becomes the one of the archive; gives the account of the asker, who stays an owner. */
async function bringPeople(tx: EntityManager, who: SignedIn, archive: Archive): Promise<string> {
  let importer = who.accountId;
  for (const person of archive.people) {
    const found = await tx.findOne(AccountEntity, { email: person.email.toLowerCase() });
    if (found === null) {
      await tx.insert(AccountEntity, {
        ...person,
        email: person.email.toLowerCase(),
        school: who.schoolId,
        passwordHash: await hashPassword(newToken()),
      });
      continue;
    }
    if (found.school !== who.schoolId)
      throw wrongInput({ archive: `${person.email} belongs to another school of this database.` });
    const isAsker = found.id === who.accountId;
    if (isAsker) importer = person.id;
    const { name, role, closedAt } = person;
    await tx.nativeUpdate(
      AccountEntity,
      { id: found.id },
      { id: person.id, name, ...(isAsker ? { role: 'owner' as const, closedAt: null } : { role, closedAt }) },
    );
  }
  return importer;
}

/** The schema of the archive has checked the rows: a moment is text there and in the database alike. */
async function insertAll<Row extends object>(
  tx: EntityManager,
  entity: EntityName<Row>,
  rows: readonly object[],
): Promise<void> {
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
    await tx.insertMany<Row>(entity, rows.slice(from, from + ROWS_AT_ONCE) as RequiredEntityData<Row>[]);
}
