import type { StepPassRule, TuneRole } from '@escalier/core/staircase';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import { changeVersion, noteChange } from '../changes/index.ts';
import { ClassEntity, classOf, PupilEntity } from '../classes/index.ts';
import { heardOnSteps, resultsOfClass, type HeardOnStep } from '../hearing/index.ts';
import { StaircaseEntity, StepEntity, StepTuneEntity } from '../staircase/index.ts';
import type { NewStaircase, StaircaseChange, StepInput } from './input.ts';

export interface StaircaseChoice {
  readonly id: string;
  readonly name: string;
  readonly instrumentId: string;
  readonly steps: number;
  /** Names of the classes that climb it. */
  readonly classes: readonly string[];
}

export interface StaircaseStepDto {
  readonly id: string;
  readonly belt: string;
  readonly lessons: number;
  readonly toPass: number;
  readonly passRule: StepPassRule;
  /** The main tune first. */
  readonly tunes: readonly { readonly id: string; readonly title: string; readonly role: TuneRole }[];
  /** Results of pupils that hang on it. */
  readonly results: number;
  /** Pupils who began, or will begin, at this step. */
  readonly starters: number;
}

export interface StaircaseDto {
  readonly id: string;
  readonly name: string;
  readonly instrumentId: string;
  readonly noteOrder: readonly string[];
  readonly version: number;
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly steps: readonly StaircaseStepDto[];
}

export async function listStaircases(em: EntityManager, who: SignedIn): Promise<readonly StaircaseChoice[]> {
  return em.execute<StaircaseChoice[]>(
    `select s.id, s.name, s.instrument as "instrumentId",
      (select count(*)::int from step where staircase_id = s.id) as steps,
      (select coalesce(json_agg(c.name order by c.name), '[]') from school_class c where c.staircase_id = s.id) as classes
    from staircase s where s.school_id = ? order by s.name, s.id`,
    [who.schoolId],
  );
}

const ONE = `
select s.id, s.name, s.instrument as "instrumentId", s.note_order as "noteOrder", s.version,
  (select coalesce(json_agg(json_build_object('id', c.id, 'name', c.name) order by c.name), '[]')
    from school_class c where c.staircase_id = s.id) as classes,
  (select coalesce(json_agg(json_build_object('id', st.id, 'belt', st.belt, 'lessons', st.lessons,
      'toPass', st.to_pass, 'passRule', st.pass_rule,
      'tunes', jsonb_build_array(jsonb_build_object('id', tu.id, 'title', tu.title, 'role', 'main')) || coalesce((
        select jsonb_agg(jsonb_build_object('id', more.id, 'title', more.title, 'role', t.role) order by t.position)
        from step_tune t join tune more on more.id = t.tune_id where t.step_id = st.id), '[]')
) order by st.position), '[]')
    from step st join tune tu on tu.id = st.tune_id where st.staircase_id = s.id) as steps
from staircase s where s.school_id = ? and s.id = ?`;

/** @throws Problem 404 when the school has no such staircase. */
export async function oneStaircase(em: EntityManager, who: SignedIn, id: string): Promise<StaircaseDto> {
  const [found] = await em.execute<(Omit<StaircaseDto, 'steps'> & { readonly steps: readonly StepRow[] })[]>(ONE, [
    who.schoolId,
    id,
  ]);
  if (found === undefined) throw notFound('staircase');
  const ids = found.steps.map((step) => step.id);
  const heard = await heardOnSteps(em, ids);
  const starters = await em.find(PupilEntity, { startStep: { $in: ids } }, { fields: ['startStep'] });
  return {
    ...found,
    steps: found.steps.map((step, index) => ({
      ...step,
      results: heard.get(step.id)?.results ?? 0,
      starters: index === 0 ? 0 : starters.filter((pupil) => pupil.startStep === step.id).length,
    })),
  };
}

type StepRow = Omit<StaircaseStepDto, 'results' | 'starters'>;

/** @throws Problem 400 for a tune that is not in the school's library. */
export async function addStaircase(em: EntityManager, who: SignedIn, input: NewStaircase): Promise<StaircaseDto> {
  await checkTunes(em, who, input.steps);
  const id = newId();
  const { name, instrumentId, noteOrder, steps } = input;
  await em.transactional(async (tx) => {
    await tx.insert(StaircaseEntity, { id, school: who.schoolId, name, instrument: instrumentId, noteOrder });
    await writeSteps(tx, id, steps, new Set());
    await noteChange(tx, who, id, `Staircase “${name}” made`);
  });
  return oneStaircase(em, who, id);
}

/**
 * Puts the steps of a staircase in the place of those there are. Steps that keep their id keep their results.
 * @throws Problem 409 when it has been changed meanwhile, or when results or pupils hang on what would go.
 */
export async function changeStaircase(
  em: EntityManager,
  who: SignedIn,
  id: string,
  { version, name, noteOrder, steps }: StaircaseChange,
): Promise<StaircaseDto> {
  await checkTunes(em, who, steps);
  await em.transactional(async (tx) => {
    // Nobody records a result on a step meanwhile.
    await tx.execute('select id from step where staircase_id = ? for update', [id]);
    const before = await oneStaircase(tx, who, id);
    const heard = await heardOnSteps(
      tx,
      before.steps.map((step) => step.id),
    );
    checkKept(before, steps, heard);
    const where = { where: { id, school: who.schoolId }, about: id, version };
    await changeVersion(tx, who, StaircaseEntity, where, { name, noteOrder: [...noteOrder] });
    const kept = new Set(steps.flatMap((step) => step.id ?? []));
    const gone = before.steps.map((step) => step.id).filter((stepId) => !kept.has(stepId));
    if (gone.length > 0) await tx.nativeDelete(StepEntity, { id: { $in: gone } });
    // Two steps never stand at one position, not even on the way.
    await tx.execute('update step set position = -position where staircase_id = ?', [id]);
    await writeSteps(tx, id, steps, kept);
    await noteChange(tx, who, id, `Staircase “${name}” changed`);
  });
  return oneStaircase(em.fork(), who, id);
}

/** @throws Problem 404, or 409 when a class climbs it. */
export async function deleteStaircase(em: EntityManager, who: SignedIn, id: string): Promise<void> {
  await em.transactional(async (tx) => {
    await tx.execute('select id from staircase where id = ? for update', [id]);
    const { name, classes } = await oneStaircase(tx, who, id);
    if (classes.length > 0)
      throw new Problem(
        409,
        'in-use',
        `“${name}” is climbed by ${classes.map((each) => each.name).join(', ')}: give them another staircase first.`,
      );
    await tx.nativeDelete(StepEntity, { staircase: id });
    await tx.nativeDelete(StaircaseEntity, { id });
    await noteChange(tx, who, id, `Staircase “${name}” deleted`);
  });
}

async function checkTunes(em: EntityManager, who: SignedIn, steps: readonly StepInput[]): Promise<void> {
  const ids = [...new Set(steps.flatMap((step) => step.tunes.map((tune) => tune.id)))];
  const [found] = await em.execute<{ count: string }[]>(
    'select count(*) from tune where school_id = ? and id = any(?::uuid[])',
    [who.schoolId, `{${ids.join(',')}}`],
  );
  if (Number(found!.count) < ids.length) throw wrongInput({ steps: 'A tune is not in your library.' });
}

function checkKept(before: StaircaseDto, steps: readonly StepInput[], heard: ReadonlyMap<string, HeardOnStep>): void {
  const own = new Set(before.steps.map((step) => step.id));
  const ids = steps.flatMap((step) => step.id ?? []);
  if (ids.some((id) => !own.has(id)) || new Set(ids).size < ids.length)
    throw wrongInput({ steps: 'A step is not of this staircase.' });
  for (const [index, step] of before.steps.entries()) {
    const next = steps.find((each) => each.id === step.id);
    const title = `Step ${index + 1}, “${step.tunes[0]!.title}”,`;
    if (next === undefined) {
      if (step.results > 0)
        throw inUse(`${title} has ${results(step.results)}. Move it instead of removing it, or change a copy.`);
      if (step.starters > 0)
        throw inUse(`${title} is where a pupil begins. Give the pupil another first step first, under Pupils.`);
      continue;
    }
    const named = (heard.get(step.id)?.tunes ?? []).map((tune) => tune ?? step.tunes[0]!.id);
    if (step.results > 0 && next.tunes[0]!.id !== step.tunes[0]!.id)
      throw inUse(`${title} has ${results(step.results)}. Add the other tune as a choice beside it, or as a new step.`);
    const lost = step.tunes.find(
      (tune) => named.includes(tune.id) && !next.tunes.some((other) => other.id === tune.id),
    );
    if (lost !== undefined) throw inUse(`Step ${index + 1} has results with “${lost.title}”: it stays as a choice.`);
  }
}

function results(count: number): string {
  return count === 1 ? 'a result' : `${count} results`;
}

function inUse(message: string): Problem {
  return new Problem(409, 'in-use', message);
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
  who: SignedIn,
  classId: string,
  { staircaseId, version }: { readonly staircaseId: string; readonly version: number },
): Promise<void> {
  const { name, staircase } = await classOf(em, who, classId);
  const next = await oneStaircase(em, who, staircaseId);
  if (staircase === staircaseId) return;
  await em.transactional(async (tx) => {
    await tx.execute('select id from step where staircase_id = ? for update', [staircase]);
    const heard = await resultsOfClass(tx, classId);
    if (heard > 0)
      throw inUse(
        `${name} has ${results(heard)} on its stairs. Change these stairs instead; steps may move, and new ones may come.`,
      );
    const [first] = next.steps;
    await changeVersion(
      tx,
      who,
      ClassEntity,
      { where: { id: classId, school: who.schoolId }, about: classId, version },
      {
        staircase: staircaseId,
      },
    );
    await tx.nativeUpdate(PupilEntity, { schoolClass: classId }, { startStep: first!.id });
    await noteChange(tx, who, classId, `${name}: staircase “${next.name}”`);
  });
}
