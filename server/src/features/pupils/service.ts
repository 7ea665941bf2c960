import type { AbsenceInput } from '@escalier/contract/pupils';
import type { NewPupils, PupilInput, PupilRecord } from '@escalier/contract/pupils';
import type { FieldProblem } from '@escalier/contract/field-problems';
import type { LocalDate } from '@escalier/core/calendar';
import { nameKey } from '@escalier/core/formats';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { Problem, wrongInput } from '../../platform/problem.ts';
import { changedFields, changeVersion, logChange } from '../changes/index.ts';
import { classOf, pupilOf, AbsenceEntity, ClassEntity, PupilEntity, PupilMoveEntity } from '../classes/index.ts';
import { StepEntity } from '../staircase/index.ts';
import { t } from '../../platform/messages.ts';

/** @throws Problem 404 when the class is not of the asker's school. */
export async function listPupils(em: EntityManager, user: SignedIn, classId: string): Promise<readonly PupilRecord[]> {
  const schoolClass = await classOf(em, user, classId);
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
  const classes = moves.length === 0 ? [] : await em.find(ClassEntity, { school: user.schoolId });
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
    absences: absences.filter((absence) => absence.pupil === pupil.id).map((absence) => absence.date),
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
  user: SignedIn,
  classId: string,
  pupils: NewPupils,
): Promise<readonly PupilRecord[]> {
  const schoolClass = await classOf(em, user, classId);
  await em.transactional(async (tx) => {
    await lockClass(tx, classId);
    const there = await tx.find(PupilEntity, { schoolClass: classId, leftOn: null });
    const taken = new Set(there.map((pupil) => nameKey(pupil.shownName)));
    const steps = await tx.find(StepEntity, { staircase: schoolClass.staircase });
    for (const [row, pupil] of pupils.entries()) {
      if (taken.has(nameKey(pupil.name))) throw wrongInput({ [`pupils.${row}.name`]: alreadyThere(pupil.name) });
      taken.add(nameKey(pupil.name));
      const step = steps.find((step) => step.position === pupil.startStep);
      if (step === undefined)
        throw wrongInput({ [`pupils.${row}.startStep`]: { code: 'no-step', number: pupil.startStep } });
      await tx.insert(PupilEntity, {
        id: newId(),
        school: user.schoolId,
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
    await logChange(tx, user, classId, { code: 'pupils-added', name: schoolClass.name, count: pupils.length });
  });
  return listPupils(em.fork(), user, classId);
}

/** Two teachers who add at one moment come one after the other. */
async function lockClass(em: EntityManager, classId: string): Promise<void> {
  await em.execute('select id from school_class where id = ? for update', [classId]);
}

function alreadyThere(name: string): FieldProblem {
  return { code: 'name-taken', name };
}

/** @throws Problem 404 for a pupil of another school; 400 for a name or step that cannot be. */
export async function changePupil(em: EntityManager, user: SignedIn, id: string, input: PupilInput): Promise<void> {
  if (input.leftOn !== null && input.leftOn < input.joinedOn) throw wrongInput({ leftOn: 'leaves-before-joining' });
  const { name, startStep: position, version: read, ...rest } = input;
  await em.transactional(async (tx) => {
    const { schoolClass } = await presentPupil(tx, user, id);
    await lockClass(tx, schoolClass);
    // Again, now that nobody else of the class is being changed.
    const pupil = await presentPupil(tx, user, id);
    const { staircase } = await classOf(tx, user, pupil.schoolClass);
    const others = await tx.find(PupilEntity, { schoolClass: pupil.schoolClass, leftOn: null, id: { $ne: id } });
    if (input.leftOn === null && others.some((other) => nameKey(other.shownName) === nameKey(name)))
      throw wrongInput({ name: alreadyThere(name) });
    const step = await tx.findOne(StepEntity, { staircase, position });
    if (step === null) throw wrongInput({ startStep: { code: 'no-step', number: position } });
    const next = { ...rest, shownName: name, startStep: step.id };
    const fields = changedFields(pupil, next);
    await changeVersion(tx, user, PupilEntity, { where: { id }, about: id, version: read }, next);
    if (fields.length > 0)
      await logChange(tx, user, id, {
        code: 'pupil-changed',
        name: pupil.shownName,
        fields,
        consent: consent(pupil, next),
      });
  });
}

interface Consent {
  readonly mayRecord: boolean;
}

/** Consent is what somebody may have to prove: which way it was changed stands in the list. */
function consent(before: Consent, next: Consent): 'given' | 'withdrawn' | null {
  if (before.mayRecord === next.mayRecord) return null;
  return next.mayRecord ? 'given' : 'withdrawn';
}

/** @throws Problem 404 as `pupilOf`; 409 for one whose personal data was erased: nothing about them is kept any more. */
async function presentPupil(em: EntityManager, user: SignedIn, id: string) {
  const pupil = await pupilOf(em, user, id);
  if ((pupil.erasedAt ?? null) !== null)
    throw new Problem(409, 'erased', t('service.this-pupils-personal-data-was-erased'));
  return pupil;
}

/**
 * Moves a pupil to a parallel class; the records go along, because both climb the same stairs.
 * @throws Problem 404 for a pupil or class of another school; 400 for a class on other stairs.
 */
export async function movePupil(
  em: EntityManager,
  user: SignedIn,
  id: string,
  toClass: string,
  today: LocalDate,
): Promise<void> {
  const pupil = await presentPupil(em, user, id);
  const [from, to] = [await classOf(em, user, pupil.schoolClass), await classOf(em, user, toClass)];
  if (from.id === to.id) throw wrongInput({ classId: 'in-class-already' });
  if (from.staircase !== to.staircase) throw wrongInput({ classId: { code: 'other-stairs', name: to.name } });
  await em.transactional(async (tx) => {
    await lockClass(tx, to.id);
    const there = await tx.find(PupilEntity, { schoolClass: to.id, leftOn: null });
    if (there.some((other) => nameKey(other.shownName) === nameKey(pupil.shownName)))
      throw wrongInput({ classId: alreadyThere(pupil.shownName) });
    await changeVersion(
      tx,
      user,
      PupilEntity,
      { where: { id }, about: id, version: pupil.version },
      { schoolClass: to.id },
    );
    await tx.insert(PupilMoveEntity, { id: newId(), pupil: id, fromClass: from.id, toClass: to.id, movedOn: today });
    await logChange(tx, user, id, { code: 'pupil-moved', name: pupil.shownName, from: from.name, to: to.name });
  });
}

/** Says that a pupil was away on a day, or takes it back. */
export async function setAbsence(
  em: EntityManager,
  user: SignedIn,
  id: string,
  { date: day, absent }: AbsenceInput,
): Promise<void> {
  const { shownName } = await presentPupil(em, user, id);
  await em.transactional(async (tx) => {
    if (absent) await tx.upsert(AbsenceEntity, { pupil: id, date: day });
    else await tx.nativeDelete(AbsenceEntity, { pupil: id, date: day });
    await logChange(tx, user, id, { code: absent ? 'pupil-away' : 'pupil-here', name: shownName, date: day });
  });
}
