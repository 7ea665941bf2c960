import type { LendInput, Lending, LendingClass } from '@escalier/contract/instruments';
import type { Condition } from '@escalier/core/instruments';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { localToday } from '../../platform/today.ts';
import { logChange } from '../changes/index.ts';
import { pupilOf } from '../classes/index.ts';
import { InstrumentEntity, LoanEntity } from './entities.ts';
import { lendingClasses, openLoans, type OpenLoan } from './instrument-list.ts';
import { instrumentOf, lockInstruments } from './service.ts';

/** @throws Problem 400 when it is not to be played, or another pupil of the class has it. */
export async function lend(em: EntityManager, user: SignedIn, id: string, pupilId: string, now: Date): Promise<void> {
  await em.transactional(async (tx) => {
    await lockInstruments(tx, user);
    const instrument = await instrumentOf(tx, user, id);
    const pupil = await pupilOf(tx, user, pupilId);
    if (pupil.leftOn !== null) throw wrongInput({ pupilId: { code: 'has-left', name: pupil.shownName } });
    if (!isPlayable(instrument.condition))
      throw wrongInput({ pupilId: { code: 'condition', number: instrument.number, condition: instrument.condition } });
    const loans = await openLoans(tx, user);
    const holder = loans.find((loan) => loan.instrumentId === id && loan.classId === pupil.schoolClass);
    if (holder !== undefined) throw wrongInput({ pupilId: { code: 'held-by', name: holder.pupil } });
    await tx.insert(LoanEntity, {
      id: newId(),
      instrument: id,
      pupil: pupilId,
      lentOn: localToday(now, user.timeZone),
      returnedOn: null,
    });
    await logChange(tx, user, pupilId, { code: 'instrument-lent', number: instrument.number, name: pupil.shownName });
  });
}

function isPlayable(condition: Condition): boolean {
  return condition === 'good' || condition === 'worn';
}

export async function takeBack(em: EntityManager, user: SignedIn, loanId: string, now: Date): Promise<void> {
  const loan = await em.findOne(LoanEntity, { id: loanId });
  if (loan === null) throw notFound('loan');
  const { number } = await instrumentOf(em, user, loan.instrument);
  const pupil = await pupilOf(em, user, loan.pupil);
  const returnedOn = localToday(now, user.timeZone);
  await em.transactional(async (tx) => {
    const back = await tx.nativeUpdate(LoanEntity, { id: loanId, returnedOn: null }, { returnedOn });
    if (back > 0) await logChange(tx, user, pupil.id, { code: 'instrument-returned', number, name: pupil.shownName });
  });
}

/** Lends to every pupil of a class who has none: by name, from the lowest number that nobody has. */
export async function lendToClass(em: EntityManager, user: SignedIn, input: LendInput, now: Date): Promise<Lending> {
  return em.transactional(async (tx) => {
    await lockInstruments(tx, user);
    const schoolClass = (await lendingClasses(tx, user)).find((each) => each.id === input.classId);
    if (schoolClass === undefined) throw notFound('class');
    const loans = await openLoans(tx, user);
    const instruments = await tx.find(
      InstrumentEntity,
      { school: user.schoolId, owner: 'school' },
      { orderBy: { number: 'asc' } },
    );
    const holders = (id: string): readonly OpenLoan[] => loans.filter((loan) => loan.instrumentId === id);
    const free = instruments
      .filter(
        ({ id, condition }) => isPlayable(condition) && holders(id).every((loan) => loan.classId !== input.classId),
      )
      .filter(({ id }) => input.share || holders(id).length === 0)
      .toSorted((a, b) => holders(a.id).length - holders(b.id).length || a.number - b.number);
    const lending = pairUp(schoolClass, loans, free);
    if (!input.dryRun) {
      await logChange(tx, user, input.classId, {
        code: 'instruments-lent',
        count: lending.pairs.length,
        name: schoolClass.name,
      });
      await tx.insertMany(
        LoanEntity,
        lending.pairs.map((pair) => ({
          id: newId(),
          instrument: pair.instrumentId,
          pupil: pair.pupilId,
          lentOn: localToday(now, user.timeZone),
          returnedOn: null,
        })),
      );
    }
    return lending;
  });
}

function pairUp(
  { pupils }: LendingClass,
  loans: readonly OpenLoan[],
  free: readonly { readonly id: string; readonly number: number; readonly kind: string }[],
): Lending {
  const left = [...free];
  const pairs: Lending['pairs'][number][] = [];
  const without: string[] = [];
  for (const pupil of pupils.filter((pupil) => loans.every((loan) => loan.pupilId !== pupil.id))) {
    const at = left.findIndex((each) => each.kind === pupil.kind);
    const [found] = at < 0 ? [] : left.splice(at, 1);
    if (found === undefined) without.push(pupil.name);
    else pairs.push({ instrumentId: found.id, number: found.number, pupilId: pupil.id, pupil: pupil.name });
  }
  return { pairs, without };
}

/** Takes everything back that pupils of a class have from the school; gives how many. */
export async function takeBackFromClass(
  em: EntityManager,
  user: SignedIn,
  classId: string,
  now: Date,
): Promise<number> {
  const schoolClass = (await lendingClasses(em, user)).find((each) => each.id === classId);
  if (schoolClass === undefined) throw notFound('class');
  const loans = (await openLoans(em, user)).filter((loan) => loan.classId === classId);
  const returnedOn = localToday(now, user.timeZone);
  return em.transactional(async (tx) => {
    await logChange(tx, user, classId, { code: 'instruments-returned', count: loans.length, name: schoolClass.name });
    return tx.nativeUpdate(LoanEntity, { id: { $in: loans.map((loan) => loan.id) }, returnedOn: null }, { returnedOn });
  });
}
