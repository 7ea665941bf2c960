import type { InstrumentChange, NewInstruments } from '@escalier/contract/instruments';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { changeVersion, logChange } from '../changes/index.ts';
import { InstrumentEntity, LoanEntity } from './entities.ts';

/** Adds instruments of one kind with numbers in a row: all of them or none. @throws Problem 400 for a number taken. */
export async function addInstruments(em: EntityManager, user: SignedIn, input: NewInstruments): Promise<void> {
  const numbers = Array.from({ length: input.count }, (_, index) => input.from + index);
  await em.transactional(async (tx) => {
    await lockInstruments(tx, user);
    await refuseTaken(tx, user, input.kind, numbers, null);
    await tx.insertMany(
      InstrumentEntity,
      numbers.map((number) => ({
        id: newId(),
        school: user.schoolId,
        number,
        kind: input.kind,
        owner: input.owner,
        condition: 'good' as const,
        note: '',
        cleanedAt: null,
      })),
    );
    await logChange(tx, user, null, { code: 'instruments-entered', count: input.count, from: input.from });
  });
}

async function refuseTaken(
  em: EntityManager,
  user: SignedIn,
  kind: string,
  numbers: readonly number[],
  except: string | null,
): Promise<void> {
  const taken = await em.find(
    InstrumentEntity,
    { school: user.schoolId, kind, number: { $in: [...numbers] }, ...(except === null ? {} : { id: { $ne: except } }) },
    { orderBy: { number: 'asc' } },
  );
  if (taken.length === 0) return;
  throw wrongInput({ number: { code: 'numbers-taken', numbers: taken.map((each) => each.number) } });
}

/** What is decided by looking at all loans of the school is decided one after the other. */
export async function lockInstruments(em: EntityManager, user: SignedIn): Promise<void> {
  await em.execute('select id from school where id = ? for update', [user.schoolId]);
}

export async function changeInstrument(
  em: EntityManager,
  user: SignedIn,
  id: string,
  { version, ...input }: InstrumentChange,
) {
  await em.transactional(async (tx) => {
    await lockInstruments(tx, user);
    const found = await instrumentOf(tx, user, id);
    await refuseTaken(tx, user, found.kind, [input.number], id);
    await changeVersion(tx, user, InstrumentEntity, { where: { id }, about: id, version }, input);
    await logChange(tx, user, id, { code: 'instrument-changed', number: found.number, condition: input.condition });
  });
}

/** Takes a wrongly entered one away. @throws Problem 400 when it was ever lent: then it is lost or broken, not gone. */
export async function removeInstrument(em: EntityManager, user: SignedIn, id: string): Promise<void> {
  await em.transactional(async (tx) => {
    await lockInstruments(tx, user);
    const { number } = await instrumentOf(tx, user, id);
    if ((await tx.count(LoanEntity, { instrument: id })) > 0)
      throw wrongInput({ number: { code: 'lent-number', number } });
    await tx.nativeDelete(InstrumentEntity, { id });
    await logChange(tx, user, id, { code: 'instrument-removed', number });
  });
}

export async function instrumentOf(em: EntityManager, user: SignedIn, id: string) {
  const found = await em.findOne(InstrumentEntity, { id, school: user.schoolId });
  if (found === null) throw notFound('instrument');
  return found;
}

/** Notes that instruments have been cleaned now. */
export async function noteCleaned(em: EntityManager, user: SignedIn, ids: readonly string[], now: Date): Promise<void> {
  await em.transactional(async (tx) => {
    const which = { school: user.schoolId, id: { $in: [...ids] } };
    const count = await tx.nativeUpdate(InstrumentEntity, which, { cleanedAt: now });
    if (count > 0) await logChange(tx, user, null, { code: 'instruments-cleaned', count });
  });
}
