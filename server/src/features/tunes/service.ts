import type { TuneDto } from '@escalier/contract/tunes';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, Problem, wrongInput } from '../../platform/problem.ts';
import { reader, type ReadText } from '../../reader/index.ts';
import { changeVersion, logChange } from '../changes/index.ts';
import { TuneEntity } from './entities.ts';
import { t } from '../../platform/messages.ts';

/** @throws Problem 400 with the tune's first error when the text is no tune. */
async function readTune(user: SignedIn, abc: string): Promise<ReadText> {
  const read = await reader.text(user.accountId, abc);
  if (!read.ok) throw wrongInput({ abc: { code: 'file', words: read.error } });
  return read.value;
}

const LIST = `
select t.id, t.title, t.abc, t.version, t.archived,
  exists (select 1 from step s where s.tune_id = t.id) or exists (select 1 from step_tune s where s.tune_id = t.id)
    as "onStaircase"
from tune t where t.school_id = ? and (?::uuid is null or t.id = ?::uuid) order by t.title, t.id`;

export async function listTunes(em: EntityManager, user: SignedIn): Promise<readonly TuneDto[]> {
  return em.execute<TuneDto[]>(LIST, [user.schoolId, null, null]);
}

export async function oneTune(em: EntityManager, user: SignedIn, id: string): Promise<TuneDto> {
  const [tune] = await em.execute<TuneDto[]>(LIST, [user.schoolId, id, id]);
  if (tune === undefined) throw notFound('tune');
  return tune;
}

export async function addTune(em: EntityManager, user: SignedIn, abc: string): Promise<TuneDto> {
  const read = await readTune(user, abc);
  await refuseDuplicate(em, user, read.content, null);
  const id = newId();
  await em.transactional(async (tx) => {
    await tx.insert(TuneEntity, { id, school: user.schoolId, title: read.title, abc, content: read.content });
    await logChange(tx, user, id, { code: 'tune-added', title: read.title });
  });
  return oneTune(em, user, id);
}

export async function changeTune(
  em: EntityManager,
  user: SignedIn,
  id: string,
  { abc, version }: { readonly abc: string; readonly version: number },
): Promise<TuneDto> {
  const read = await readTune(user, abc);
  await oneTune(em, user, id);
  await refuseDuplicate(em, user, read.content, id);
  await em.transactional(async (tx) => {
    const next = { title: read.title, abc, content: read.content };
    await changeVersion(tx, user, TuneEntity, { where: { id }, about: id, version }, next);
    await logChange(tx, user, id, { code: 'tune-changed', title: read.title });
  });
  return oneTune(em, user, id);
}

/** Takes a tune out of the archive again. */
export async function restoreTune(em: EntityManager, user: SignedIn, id: string): Promise<TuneDto> {
  const tune = await oneTune(em, user, id);
  await em.transactional(async (tx) => {
    await tx.nativeUpdate(TuneEntity, { id }, { archived: false });
    await logChange(tx, user, id, { code: 'tune-restored', title: tune.title });
  });
  return { ...tune, archived: false };
}

async function refuseDuplicate(em: EntityManager, user: SignedIn, content: string, own: string | null): Promise<void> {
  const same = await em.findOne(TuneEntity, { school: user.schoolId, content });
  if (same === null || same.id === own) return;
  throw new Problem(409, 'duplicate', t('service.your-library-already-has-this-tune', { title: same.title }), {
    fields: { abc: { code: 'same-tune', id: same.id } },
  });
}
