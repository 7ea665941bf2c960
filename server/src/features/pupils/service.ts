import { PRINT_SIZES, type PrintSize } from '@escalier/core/handouts';
import type { LocalDate } from '@escalier/core/calendar';
import { nameKey } from '@escalier/core/formats';
import { INSTRUMENT_IDS } from '@escalier/core/instruments';
import { z } from 'zod';
import type { SignedIn } from '../../platform/context.ts';
import { localDate, text } from '../../platform/fields.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import type { FieldProblem } from '../../platform/field-problem.ts';
import { Problem, wrongInput } from '../../platform/problem.ts';
import { version } from '../../platform/versions.ts';
import { changedFields, changeVersion, noteChange } from '../changes/index.ts';
import { classOf, pupilOf, AbsenceEntity, ClassEntity, PupilEntity, PupilMoveEntity } from '../classes/index.ts';
import { StepEntity } from '../staircase/index.ts';

/** What is kept of a pupil, for the teachers of the class. */
export interface PupilRecord {
  readonly id: string;
  readonly name: string;
  /** Position of the first step, counted from 1. */
  readonly startStep: number;
  readonly joinedOn: LocalDate;
  readonly leftOn: LocalDate | null;
  readonly handMark: string;
  readonly note: string;
  readonly playsInstead: string | null;
  readonly mayRecord: boolean;
  /** The most seconds that one breath carries; null for those of the class. */
  readonly breathSeconds: number | null;
  /** How large sheets are printed. */
  readonly printSize: PrintSize;
  /** Plays the easier line of a tune that has one. */
  readonly easierLine: boolean;
  readonly version: number;
  /** Dates, latest first. */
  readonly absences: readonly LocalDate[];
  /** From which class to this one or another, and when. */
  readonly moves: readonly { readonly on: LocalDate; readonly from: string; readonly to: string }[];
}

const shownName = text().trim().min(1).max(60);
const startStep = z.int().min(1).max(1000);

export const newPupilsInput = z.object({
  pupils: z
    .array(z.object({ name: shownName, startStep, joinedOn: localDate }))
    .min(1)
    .max(60),
});
export type NewPupils = z.infer<typeof newPupilsInput>['pupils'];

export const pupilInput = z.object({
  name: shownName,
  startStep,
  joinedOn: localDate,
  leftOn: localDate.nullable(),
  handMark: text().trim().max(60),
  note: text().trim().max(500),
  playsInstead: z.enum(INSTRUMENT_IDS).nullable(),
  mayRecord: z.boolean(),
  printSize: z.enum(PRINT_SIZES).default('medium'),
  easierLine: z.boolean().default(false),
  breathSeconds: z.int().min(2).max(20).nullable().default(null),
  version,
});
export type PupilInput = z.infer<typeof pupilInput>;

export const absenceInput = z.object({ date: localDate, absent: z.boolean() });

/** @throws Problem 404 when the class is not of the asker's school. */
export async function listPupils(em: EntityManager, who: SignedIn, classId: string): Promise<readonly PupilRecord[]> {
  const schoolClass = await classOf(em, who, classId);
  const pupils = await em.find(
    PupilEntity,
    { schoolClass: classId, erasedAt: null },
    { orderBy: { shownName: 'asc' } },
  );
  const steps = await em.find(StepEntity, { staircase: schoolClass.staircase });
  const absences = await em.find(
    AbsenceEntity,
    { pupil: { $in: pupils.map((pupil) => pupil.id) } },
    { orderBy: { date: 'desc' } },
  );
  const moves = await em.find(
    PupilMoveEntity,
    { pupil: { $in: pupils.map((pupil) => pupil.id) } },
    { orderBy: { movedOn: 'asc', id: 'asc' } },
  );
  const classes = moves.length === 0 ? [] : await em.find(ClassEntity, { school: who.schoolId });
  const nameOf = (id: string): string => classes.find((each) => each.id === id)!.name;
  return pupils.map((pupil) => ({
    id: pupil.id,
    name: pupil.shownName,
    startStep: steps.find((step) => step.id === pupil.startStep)?.position ?? 1,
    joinedOn: pupil.joinedOn,
    leftOn: pupil.leftOn ?? null,
    handMark: pupil.handMark,
    note: pupil.note,
    playsInstead: pupil.playsInstead ?? null,
    mayRecord: pupil.mayRecord,
    breathSeconds: pupil.breathSeconds ?? null,
    printSize: pupil.printSize,
    easierLine: pupil.easierLine,
    version: pupil.version,
    absences: absences.filter((each) => each.pupil === pupil.id).map((each) => each.date),
    moves: moves
      .filter((move) => move.pupil === pupil.id)
      .map((move) => ({ on: move.movedOn, from: nameOf(move.fromClass), to: nameOf(move.toClass) })),
  }));
}

/**
 * Adds all of them or none. Names have to be told apart within a class.
 * @throws Problem 404 for a class of another school; 400 with the row (`pupils.2.name`) that cannot be added.
 */
export async function addPupils(
  em: EntityManager,
  who: SignedIn,
  classId: string,
  pupils: NewPupils,
): Promise<readonly PupilRecord[]> {
  const schoolClass = await classOf(em, who, classId);
  await em.transactional(async (tx) => {
    await lockClass(tx, classId);
    const there = await tx.find(PupilEntity, { schoolClass: classId, leftOn: null });
    const taken = new Set(there.map((pupil) => nameKey(pupil.shownName)));
    const steps = await tx.find(StepEntity, { staircase: schoolClass.staircase });
    for (const [row, pupil] of pupils.entries()) {
      if (taken.has(nameKey(pupil.name))) throw wrongInput({ [`pupils.${row}.name`]: alreadyThere(pupil.name) });
      taken.add(nameKey(pupil.name));
      const step = steps.find((each) => each.position === pupil.startStep);
      if (step === undefined)
        throw wrongInput({ [`pupils.${row}.startStep`]: { code: 'no-step', number: pupil.startStep } });
      await tx.insert(PupilEntity, {
        id: newId(),
        school: who.schoolId,
        schoolClass: classId,
        shownName: pupil.name,
        startStep: step.id,
        joinedOn: pupil.joinedOn,
        leftOn: null,
        handMark: '',
        note: '',
        playsInstead: null,
        mayRecord: false,
        erasedAt: null,
      });
    }
    await noteChange(tx, who, classId, `${schoolClass.name}: ${pupils.length} added to the pupils`);
  });
  return listPupils(em.fork(), who, classId);
}

/** Two teachers who add at one moment come one after the other. */
async function lockClass(em: EntityManager, classId: string): Promise<void> {
  await em.execute('select id from school_class where id = ? for update', [classId]);
}

function alreadyThere(name: string): FieldProblem {
  return { code: 'name-taken', name };
}

/** @throws Problem 404 for a pupil of another school; 400 for a name or step that cannot be. */
export async function changePupil(em: EntityManager, who: SignedIn, id: string, input: PupilInput): Promise<void> {
  if (input.leftOn !== null && input.leftOn < input.joinedOn) throw wrongInput({ leftOn: 'leaves-before-joining' });
  const { name, startStep: position, version: read, ...rest } = input;
  await em.transactional(async (tx) => {
    const { schoolClass } = await presentPupil(tx, who, id);
    await lockClass(tx, schoolClass);
    // Again, now that nobody else of the class is being changed.
    const pupil = await presentPupil(tx, who, id);
    const { staircase } = await classOf(tx, who, pupil.schoolClass);
    const others = await tx.find(PupilEntity, { schoolClass: pupil.schoolClass, leftOn: null, id: { $ne: id } });
    if (input.leftOn === null && others.some((other) => nameKey(other.shownName) === nameKey(name)))
      throw wrongInput({ name: alreadyThere(name) });
    const step = await tx.findOne(StepEntity, { staircase, position });
    if (step === null) throw wrongInput({ startStep: { code: 'no-step', number: position } });
    const next = { ...rest, shownName: name, startStep: step.id };
    const changed = changedFields(pupil, next, PUPIL_WORDS);
    await changeVersion(tx, who, PupilEntity, { where: { id }, about: id, version: read }, next);
    if (changed !== '') await noteChange(tx, who, id, `${pupil.shownName}: ${changed}${consentWords(pupil, next)}`);
  });
}

/** Consent is what somebody may have to prove: which way it was changed stands in the list. */
function consentWords(before: { readonly mayRecord: boolean }, next: { readonly mayRecord: boolean }): string {
  if (before.mayRecord === next.mayRecord) return '';
  return next.mayRecord ? ' (given)' : ' (withdrawn)';
}

/** @throws Problem 404 as `pupilOf`; 409 for one whose personal data was erased: nothing about them is kept any more. */
async function presentPupil(em: EntityManager, who: SignedIn, id: string) {
  const pupil = await pupilOf(em, who, id);
  if ((pupil.erasedAt ?? null) !== null)
    throw new Problem(409, 'erased', 'The personal data of this pupil was erased: nothing can be kept about them.');
  return pupil;
}

const PUPIL_WORDS = {
  shownName: 'name',
  startStep: 'start step',
  joinedOn: 'date of joining',
  leftOn: 'date of leaving',
  handMark: 'hand mark',
  note: 'note',
  playsInstead: 'instrument',
  mayRecord: 'consent to recordings',
  breathSeconds: 'breath',
  printSize: 'print size',
  easierLine: 'easier line',
} as const;

/**
 * Moves a pupil to a parallel class; the records go along, because both climb the same stairs.
 * @throws Problem 404 for a pupil or class of another school; 400 for a class on other stairs.
 */
export async function movePupil(
  em: EntityManager,
  who: SignedIn,
  id: string,
  toClass: string,
  today: LocalDate,
): Promise<void> {
  const pupil = await presentPupil(em, who, id);
  const [from, to] = [await classOf(em, who, pupil.schoolClass), await classOf(em, who, toClass)];
  if (from.id === to.id) throw wrongInput({ classId: 'in-class-already' });
  if (from.staircase !== to.staircase) throw wrongInput({ classId: { code: 'other-stairs', name: to.name } });
  await em.transactional(async (tx) => {
    await lockClass(tx, to.id);
    const there = await tx.find(PupilEntity, { schoolClass: to.id, leftOn: null });
    if (there.some((other) => nameKey(other.shownName) === nameKey(pupil.shownName)))
      throw wrongInput({ classId: alreadyThere(pupil.shownName) });
    await changeVersion(
      tx,
      who,
      PupilEntity,
      { where: { id }, about: id, version: pupil.version },
      { schoolClass: to.id },
    );
    await tx.insert(PupilMoveEntity, { id: newId(), pupil: id, fromClass: from.id, toClass: to.id, movedOn: today });
    await noteChange(tx, who, id, `${pupil.shownName}: moved from ${from.name} to ${to.name}`);
  });
}

/** Says that a pupil was away on a day, or takes it back. */
export async function setAbsence(
  em: EntityManager,
  who: SignedIn,
  id: string,
  { date: day, absent }: z.infer<typeof absenceInput>,
): Promise<void> {
  const { shownName } = await presentPupil(em, who, id);
  await em.transactional(async (tx) => {
    if (absent) await tx.upsert(AbsenceEntity, { pupil: id, date: day });
    else await tx.nativeDelete(AbsenceEntity, { pupil: id, date: day });
    await noteChange(tx, who, id, `${shownName}: ${absent ? 'away' : 'here'} on ${day}`);
  });
}
