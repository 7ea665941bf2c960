import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import { reader, type ReadText } from '../../reader/index.ts';
import { changeVersion, noteChange } from '../changes/index.ts';
import { TuneEntity } from './entities.ts';

export interface TuneDto {
  readonly id: string;
  readonly title: string;
  readonly abc: string;
  /** Used by a staircase: it cannot be deleted. */
  readonly onStaircase: boolean;
  /** Hidden from the library, kept for the results that name it. */
  readonly archived: boolean;
  readonly version: number;
}

/** What hangs on a tune. */
export interface TuneUse {
  readonly steps: readonly { readonly staircase: string; readonly position: number }[];
  /** Results of pupils that name it. */
  readonly results: number;
  readonly archived: boolean;
}

/** @throws Problem 400 with the tune's first error when the text is no tune. */
async function readTune(abc: string): Promise<ReadText> {
  const read = await reader.text(abc);
  if (!read.ok) throw wrongInput({ abc: read.error });
  return read.value;
}

const LIST = `
select t.id, t.title, t.abc, t.version, t.archived,
  exists (select 1 from step s where s.tune_id = t.id) or exists (select 1 from step_tune s where s.tune_id = t.id)
    as "onStaircase"
from tune t where t.school_id = ? and (?::uuid is null or t.id = ?::uuid) order by t.title, t.id`;

export async function listTunes(em: EntityManager, who: SignedIn): Promise<readonly TuneDto[]> {
  return em.execute<TuneDto[]>(LIST, [who.schoolId, null, null]);
}

export async function oneTune(em: EntityManager, who: SignedIn, id: string): Promise<TuneDto> {
  const [tune] = await em.execute<TuneDto[]>(LIST, [who.schoolId, id, id]);
  if (tune === undefined) throw notFound('tune');
  return tune;
}

export async function addTune(em: EntityManager, who: SignedIn, abc: string): Promise<TuneDto> {
  const read = await readTune(abc);
  await refuseDuplicate(em, who, read.content, null);
  const id = newId();
  await em.transactional(async (tx) => {
    await tx.insert(TuneEntity, { id, school: who.schoolId, title: read.title, abc, content: read.content });
    await noteChange(tx, who, id, `Tune “${read.title}” added`);
  });
  return oneTune(em, who, id);
}

export async function changeTune(
  em: EntityManager,
  who: SignedIn,
  id: string,
  { abc, version }: { readonly abc: string; readonly version: number },
): Promise<TuneDto> {
  const read = await readTune(abc);
  await oneTune(em, who, id);
  await refuseDuplicate(em, who, read.content, id);
  await em.transactional(async (tx) => {
    const next = { title: read.title, abc, content: read.content };
    await changeVersion(tx, who, TuneEntity, { where: { id }, about: id, version }, next);
    await noteChange(tx, who, id, `Tune “${read.title}” changed`);
  });
  return oneTune(em, who, id);
}

const STEPS = `
select s.name as staircase, step.position from step join staircase s on s.id = step.staircase_id
where step.tune_id = ? or exists (select 1 from step_tune t where t.step_id = step.id and t.tune_id = ?)
order by s.name, step.position`;

/** Where a tune is used. @throws Problem 404 when the school has no such tune. */
export async function tuneUse(em: EntityManager, who: SignedIn, id: string): Promise<TuneUse> {
  const { archived } = await oneTune(em, who, id);
  const steps = await em.execute<TuneUse['steps'][number][]>(STEPS, [id, id]);
  const [counted] = await em.execute<{ count: string }[]>('select count(*) from record_event where tune_id = ?', [id]);
  return { steps, results: Number(counted!.count), archived };
}

/**
 * Deletes a tune, or archives it when results name it.
 * @throws Problem 409 when it stands on a staircase, with where.
 */
export async function deleteTune(
  em: EntityManager,
  who: SignedIn,
  id: string,
): Promise<{ readonly archived: boolean }> {
  return em.transactional(async (tx) => {
    // Nobody records a result with it meanwhile.
    await tx.execute('select id from tune where id = ? for update', [id]);
    const { title } = await oneTune(tx, who, id);
    const { steps, results } = await tuneUse(tx, who, id);
    if (steps.length > 0) {
      const where = steps.map(({ staircase, position }) => `${staircase}, step ${position}`).join('; ');
      throw new Problem(409, 'in-use', `“${title}” is on a staircase: remove it there first (${where}).`);
    }
    const archived = results > 0;
    if (archived) await tx.nativeUpdate(TuneEntity, { id }, { archived: true });
    else await tx.nativeDelete(TuneEntity, { id });
    await noteChange(tx, who, id, `Tune “${title}” ${archived ? 'archived' : 'deleted'}`);
    return { archived };
  });
}

/** Takes a tune out of the archive again. */
export async function restoreTune(em: EntityManager, who: SignedIn, id: string): Promise<TuneDto> {
  const tune = await oneTune(em, who, id);
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(TuneEntity, { id }, { archived: false });
    await noteChange(tx, who, id, `Tune “${tune.title}” restored`);
  });
  return { ...tune, archived: false };
}

async function refuseDuplicate(em: EntityManager, who: SignedIn, content: string, own: string | null): Promise<void> {
  const same = await em.findOne(TuneEntity, { school: who.schoolId, content });
  if (same === null || same.id === own) return;
  throw new Problem(409, 'duplicate', `Your library already has this tune, as “${same.title}”.`, { abc: same.id });
}
