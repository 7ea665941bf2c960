import type { Outcome, Standing } from '@escalier/core/records';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import { ClassEntity, pupilOf, pupilStanding, PupilEntity } from '../classes/index.ts';
import { StepEntity } from '../staircase/index.ts';
import { RecordEventEntity } from './entities.ts';

export interface HeardInput {
  readonly kind: 'heard';
  readonly id: string;
  readonly pupilId: string;
  readonly stepId: string;
  readonly outcome: Outcome;
  readonly remarks: readonly string[];
  readonly heardAt: Date;
}

export interface UndoInput {
  readonly kind: 'undone';
  readonly id: string;
  readonly undoes: string;
  readonly heardAt: Date;
}

export interface Recorded {
  /** False when the same event had been stored before. */
  readonly stored: boolean;
  readonly classId: string;
  readonly standing: Standing | null;
}

interface Row {
  readonly id: string;
  readonly school: string;
  readonly schoolClass: string;
  readonly account: string;
  readonly kind: 'heard' | 'undone';
  readonly pupil: string;
  readonly step: string;
  readonly outcome: Outcome | null;
  readonly remarks: string[];
  readonly undoes: string | null;
  readonly heardAt: Date;
  readonly receivedAt: Date;
}

/**
 * Stores one event, once. Answers only after the commit.
 * @throws Problem 404 for a pupil, step or event that is not of this school; 409 when the id belongs to another event.
 */
export async function record(
  em: EntityManager,
  who: SignedIn,
  input: HeardInput | UndoInput,
  now: Date,
): Promise<Recorded> {
  const row = input.kind === 'heard' ? await heardRow(em, who, input, now) : await undoRow(em, who, input, now);
  const stored = await em.transactional((tx) => insertOnce(tx, row));
  // A pupil may have moved to a parallel class since.
  const { schoolClass } = await em.findOneOrFail(PupilEntity, { id: row.pupil });
  return { stored, classId: schoolClass, standing: await pupilStanding(em, who, schoolClass, row.pupil) };
}

async function heardRow(em: EntityManager, who: SignedIn, input: HeardInput, now: Date): Promise<Row> {
  const pupil = await pupilOf(em, who, input.pupilId);
  const schoolClass = await em.findOneOrFail(ClassEntity, { id: pupil.schoolClass });
  const step = await em.findOne(StepEntity, { id: input.stepId, staircase: schoolClass.staircase });
  if (step === null) throw notFound('step');
  if (pupil.leftOn !== null) throw wrongInput({ pupilId: 'This pupil has left the class.' });
  return {
    id: input.id,
    school: who.schoolId,
    schoolClass: schoolClass.id,
    account: who.accountId,
    kind: 'heard',
    pupil: pupil.id,
    step: step.id,
    outcome: input.outcome,
    remarks: [...input.remarks],
    undoes: null,
    heardAt: input.heardAt,
    receivedAt: now,
  };
}

async function undoRow(em: EntityManager, who: SignedIn, input: UndoInput, now: Date): Promise<Row> {
  const heard = await em.findOne(RecordEventEntity, { id: input.undoes, school: who.schoolId, kind: 'heard' });
  if (heard === null) throw notFound('record to undo');
  await pupilOf(em, who, heard.pupil);
  return {
    id: input.id,
    school: who.schoolId,
    schoolClass: heard.schoolClass,
    account: who.accountId,
    kind: 'undone',
    pupil: heard.pupil,
    step: heard.step,
    outcome: null,
    remarks: [],
    undoes: heard.id,
    heardAt: input.heardAt,
    receivedAt: now,
  };
}

/** `on conflict do nothing` makes two devices that send one event at the same moment store it once. */
async function insertOnce(em: EntityManager, row: Row): Promise<boolean> {
  const inserted = await em
    .createQueryBuilder(RecordEventEntity)
    .insert({ ...row })
    .onConflict('id')
    .ignore()
    .execute('run');
  if (inserted.affectedRows > 0) return true;
  const known = await em.findOne(RecordEventEntity, { id: row.id, school: row.school });
  const same =
    known !== null &&
    known.kind === row.kind &&
    known.pupil === row.pupil &&
    known.step === row.step &&
    known.outcome === row.outcome &&
    known.undoes === row.undoes;
  if (!same) throw new Problem(409, 'id-taken', 'This id belongs to another record.', { id: 'Already used.' });
  return false;
}
