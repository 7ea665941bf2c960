import type { NewStaircase, StaircaseChange, StaircaseDto, StepInput } from '@escalier/contract/staircases';
import { resultsWords } from '@escalier/core/words';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { wrongInput } from '../../platform/problem.ts';
import { changeVersion, logChange } from '../changes/index.ts';
import { ClassEntity, classOf, PupilEntity } from '../classes/index.ts';
import { heardOnSteps, resultsOfClass } from '../hearing/index.ts';
import { StaircaseEntity, StepEntity, StepTuneEntity } from '../staircase/index.ts';
import { checkKept, inUse } from './kept.ts';
import { oneStaircase } from './read.ts';
import { t } from '../../platform/messages.ts';

/** @throws Problem 400 for a tune that is not in the school's library. */
export async function addStaircase(em: EntityManager, user: SignedIn, input: NewStaircase): Promise<StaircaseDto> {
  await checkTunes(em, user, input.steps);
  const id = newId();
  const { name, instrumentId, noteOrder, steps } = input;
  await em.transactional(async (tx) => {
    await tx.insert(StaircaseEntity, { id, school: user.schoolId, name, instrument: instrumentId, noteOrder });
    await writeSteps(tx, id, steps, new Set());
    await logChange(tx, user, id, { code: 'staircase-made', name });
  });
  return oneStaircase(em, user, id);
}

/**
 * Puts the steps of a staircase in the place of those there are. Steps that keep their id keep their results.
 * @throws Problem 409 when it has been changed meanwhile, or when results or pupils hang on what would go.
 */
export async function changeStaircase(
  em: EntityManager,
  user: SignedIn,
  id: string,
  { version, name, noteOrder, steps }: StaircaseChange,
): Promise<StaircaseDto> {
  await em.transactional(async (tx) => {
    // Nobody records a result on a step meanwhile.
    await tx.execute('select id from step where staircase_id = ? for update', [id]);
    const before = await oneStaircase(tx, user, id);
    await checkTunes(tx, user, steps);
    const heard = await heardOnSteps(
      tx,
      before.steps.map((step) => step.id),
    );
    checkKept(before, steps, heard);
    const where = { where: { id, school: user.schoolId }, about: id, version };
    await changeVersion(tx, user, StaircaseEntity, where, { name, noteOrder: [...noteOrder] });
    const kept = new Set(steps.flatMap((step) => step.id ?? []));
    const gone = before.steps.map((step) => step.id).filter((stepId) => !kept.has(stepId));
    if (gone.length > 0) await tx.nativeDelete(StepEntity, { id: { $in: gone } });
    // Two steps never stand at one position, not even on the way.
    await tx.execute('set constraints step_staircase_id_position_unique deferred');
    await writeSteps(tx, id, steps, kept);
    await logChange(tx, user, id, { code: 'staircase-changed', name });
  });
  return oneStaircase(em.fork(), user, id);
}

/** @throws Problem 404, or 409 when a class climbs it. */
export async function deleteStaircase(em: EntityManager, user: SignedIn, id: string): Promise<void> {
  await em.transactional(async (tx) => {
    await tx.execute('select id from staircase where id = ? for update', [id]);
    const { name, classes } = await oneStaircase(tx, user, id);
    if (classes.length > 0)
      throw inUse(t('service.name-is-used-by-list-give', { name, list: classes.map((each) => each.name).join(', ') }));
    await tx.nativeDelete(StepEntity, { staircase: id });
    await tx.nativeDelete(StaircaseEntity, { id });
    await logChange(tx, user, id, { code: 'staircase-deleted', name });
  });
}

async function checkTunes(em: EntityManager, user: SignedIn, steps: readonly StepInput[]): Promise<void> {
  const ids = [...new Set(steps.flatMap((step) => step.tunes.map((tune) => tune.id)))];
  const [found] = await em.execute<{ count: string }[]>(
    'select count(*) from tune where school_id = ? and id = any(?::uuid[])',
    [user.schoolId, `{${ids.join(',')}}`],
  );
  if (Number(found!.count) < ids.length) throw wrongInput({ steps: 'unknown' });
}

async function writeSteps(
  tx: EntityManager,
  staircase: string,
  steps: readonly StepInput[],
  kept: ReadonlySet<string>,
): Promise<void> {
  for (const [index, { id, tunes, belt, lessons, toPass, passRule }] of steps.entries()) {
    const row = { position: index + 1, tune: tunes[0]!.id, belt, lessons, toPass, passRule };
    const stepId = id ?? newId();
    if (kept.has(stepId)) await tx.nativeUpdate(StepEntity, { id: stepId, staircase }, row);
    else await tx.insert(StepEntity, { id: stepId, staircase, ...row });
    await tx.nativeDelete(StepTuneEntity, { step: stepId });
    const more = tunes
      .slice(1)
      .flatMap((tune, at) =>
        tune.role === 'main' ? [] : [{ step: stepId, tune: tune.id, position: at + 1, role: tune.role }],
      );
    if (more.length > 0) await tx.insertMany(StepTuneEntity, more);
  }
}

/**
 * Gives a class another staircase.
 * @throws Problem 404, 400 for a staircase of another school, 409 when pupils of the class have results.
 */
export async function climbAnother(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  { staircaseId, version }: { readonly staircaseId: string; readonly version: number },
): Promise<void> {
  const { name, staircase } = await classOf(em, user, classId);
  const next = await oneStaircase(em, user, staircaseId);
  if (staircase === staircaseId) return;
  await em.transactional(async (tx) => {
    await tx.execute('select id from step where staircase_id = ? for update', [staircase]);
    const heard = await resultsOfClass(tx, classId);
    if (heard > 0) throw inUse(t('service.name-has-results-on-its-stairs', { name, results: resultsWords(heard) }));
    const [first] = next.steps;
    await changeVersion(
      tx,
      user,
      ClassEntity,
      { where: { id: classId, school: user.schoolId }, about: classId, version },
      {
        staircase: staircaseId,
      },
    );
    await tx.nativeUpdate(PupilEntity, { schoolClass: classId }, { startStep: first!.id });
    await logChange(tx, user, classId, { code: 'class-staircase', name, staircase: next.name });
  });
}
