import { TZDate } from '@date-fns/tz';
import { cleaningCalls, lessonsOf, type CleaningCall, type LocalDate } from '@escalier/core/calendar';
import { addDays, format } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { ClassEntity, localToday, ownClasses, PupilEntity, pupilOf } from '../classes/index.ts';
import { TermEntity } from '../schools/index.ts';
import { StaircaseEntity } from '../staircase/index.ts';
import { InstrumentEntity, LoanEntity, type Condition, type Owner } from './entities.ts';

/** So far ahead cleaning is called for. */
const CLEANING_DAYS = 7;

export interface LoanLine {
  readonly id: string;
  readonly pupilId: string;
  readonly pupil: string;
  readonly classId: string;
  readonly lentOn: LocalDate;
}

export interface InstrumentLine {
  readonly id: string;
  readonly number: number;
  readonly kind: string;
  readonly owner: Owner;
  readonly condition: Condition;
  readonly note: string;
  /** Local date and time, `2026-03-03T10:20`; null when nobody has noted a cleaning. */
  readonly cleanedAt: string | null;
  /** In whose hands it is: of each class at most one pupil. */
  readonly loans: readonly LoanLine[];
}

export interface LendingClass {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly pupils: readonly { readonly id: string; readonly name: string; readonly kind: string }[];
}

export interface InstrumentDesk {
  readonly instruments: readonly InstrumentLine[];
  readonly classes: readonly LendingClass[];
  readonly cleaning: readonly CleaningCall[];
}

export async function instrumentDesk(em: EntityManager, who: SignedIn, now: Date): Promise<InstrumentDesk> {
  const classes = await lendingClasses(em, who);
  const instruments = await em.find(
    InstrumentEntity,
    { school: who.schoolId },
    { orderBy: { kind: 'asc', number: 'asc' } },
  );
  const loans = await openLoans(em, who);
  const lines = instruments.map(({ id, number, kind, owner, condition, note, cleanedAt }): InstrumentLine => ({
    id,
    number,
    kind,
    owner,
    condition,
    note,
    cleanedAt: (cleanedAt ?? null) === null ? null : localTime(cleanedAt!, who.timeZone),
    loans: loans.filter((loan) => loan.instrumentId === id).map(({ instrumentId: _, ...loan }) => loan),
  }));
  return { instruments: lines, classes, cleaning: await cleaning(em, who, lines, now) };
}

interface OpenLoan extends LoanLine {
  readonly instrumentId: string;
}

async function openLoans(em: EntityManager, who: SignedIn): Promise<readonly OpenLoan[]> {
  return em.execute<OpenLoan[]>(
    `select l.id, l.instrument_id as "instrumentId", p.id as "pupilId", p.shown_name as pupil,
      p.school_class_id as "classId", to_char(l.lent_on, 'YYYY-MM-DD') as "lentOn"
    from loan l join pupil p on p.id = l.pupil_id
    where p.school_id = ? and l.returned_on is null order by p.shown_name`,
    [who.schoolId],
  );
}

async function lendingClasses(em: EntityManager, who: SignedIn): Promise<readonly LendingClass[]> {
  const own = await ownClasses(em, who);
  const classes = await em.find(
    ClassEntity,
    { school: who.schoolId, ...(own === null ? {} : { id: { $in: [...own] } }) },
    { orderBy: { name: 'asc' } },
  );
  const stairs = await em.find(StaircaseEntity, { school: who.schoolId });
  const pupils = await em.find(
    PupilEntity,
    { schoolClass: { $in: classes.map((each) => each.id) }, leftOn: null },
    { orderBy: { shownName: 'asc', id: 'asc' } },
  );
  return classes.map(({ id, name, staircase }) => {
    const kind = stairs.find((each) => each.id === staircase)!.instrument;
    return {
      id,
      name,
      kind,
      pupils: pupils
        .filter((pupil) => pupil.schoolClass === id)
        .map((pupil) => ({ id: pupil.id, name: pupil.shownName, kind: pupil.playsInstead ?? kind })),
    };
  });
}

async function cleaning(
  em: EntityManager,
  who: SignedIn,
  lines: readonly InstrumentLine[],
  now: Date,
): Promise<readonly CleaningCall[]> {
  const shared = lines
    .filter((line) => line.loans.length > 1)
    .map(({ id, loans, cleanedAt }) => ({ id, classIds: loans.map((loan) => loan.classId), cleanedAt }));
  if (shared.length === 0) return [];
  const classes = await em.find(ClassEntity, { school: who.schoolId });
  const terms = await em.find(TermEntity, { school: who.schoolId });
  const lessons = classes.flatMap((each) =>
    lessonsOf(
      terms.find((term) => term.id === each.term)!,
      each.meetings,
    )
      .filter((lesson) => lesson.mode === 'room')
      .map((lesson) => ({ classId: each.id, date: lesson.date, at: lesson.at, minutes: lesson.minutes })),
  );
  const until = localToday(addDays(now, CLEANING_DAYS), who.timeZone);
  return cleaningCalls(shared, lessons, localTime(now, who.timeZone), until);
}

function localTime(moment: Date, timeZone: string): string {
  return format(new TZDate(moment, timeZone), "yyyy-MM-dd'T'HH:mm");
}

export interface NewInstruments {
  readonly kind: string;
  readonly from: number;
  readonly count: number;
  readonly owner: Owner;
}

/** Adds instruments of one kind with numbers in a row: all of them or none. @throws Problem 400 for a number taken. */
export async function addInstruments(em: EntityManager, who: SignedIn, input: NewInstruments): Promise<void> {
  const numbers = Array.from({ length: input.count }, (_, index) => input.from + index);
  await em.transactional(async (tx) => {
    await lockInstruments(tx, who);
    await refuseTaken(tx, who, input.kind, numbers, null);
    await tx.insertMany(
      InstrumentEntity,
      numbers.map((number) => ({
        id: newId(),
        school: who.schoolId,
        number,
        kind: input.kind,
        owner: input.owner,
        condition: 'good' as const,
        note: '',
        cleanedAt: null,
      })),
    );
  });
}

async function refuseTaken(
  em: EntityManager,
  who: SignedIn,
  kind: string,
  numbers: readonly number[],
  except: string | null,
): Promise<void> {
  const taken = await em.find(
    InstrumentEntity,
    { school: who.schoolId, kind, number: { $in: [...numbers] }, ...(except === null ? {} : { id: { $ne: except } }) },
    { orderBy: { number: 'asc' } },
  );
  if (taken.length === 0) return;
  const which = taken.map((each) => each.number).join(', ');
  throw wrongInput({ number: `Number ${which} ${taken.length === 1 ? 'is' : 'are'} there already.` });
}

/** What is decided by looking at all loans of the school is decided one after the other. */
async function lockInstruments(em: EntityManager, who: SignedIn): Promise<void> {
  await em.execute('select id from school where id = ? for update', [who.schoolId]);
}

export interface InstrumentChange {
  readonly number: number;
  readonly owner: Owner;
  readonly condition: Condition;
  readonly note: string;
}

export async function changeInstrument(em: EntityManager, who: SignedIn, id: string, input: InstrumentChange) {
  await em.transactional(async (tx) => {
    await lockInstruments(tx, who);
    const found = await instrumentOf(tx, who, id);
    await refuseTaken(tx, who, found.kind, [input.number], id);
    await tx.nativeUpdate(InstrumentEntity, { id }, input);
  });
}

/** Takes a wrongly entered one away. @throws Problem 400 when it was ever lent: then it is lost or broken, not gone. */
export async function removeInstrument(em: EntityManager, who: SignedIn, id: string): Promise<void> {
  await em.transactional(async (tx) => {
    await lockInstruments(tx, who);
    const { number } = await instrumentOf(tx, who, id);
    if ((await tx.count(LoanEntity, { instrument: id })) > 0)
      throw wrongInput({ number: `Number ${number} has been lent: mark it as lost or broken instead.` });
    await tx.nativeDelete(InstrumentEntity, { id });
  });
}

async function instrumentOf(em: EntityManager, who: SignedIn, id: string) {
  const found = await em.findOne(InstrumentEntity, { id, school: who.schoolId });
  if (found === null) throw notFound('instrument');
  return found;
}

/** @throws Problem 400 when it is not to be played, or another pupil of the class has it. */
export async function lend(em: EntityManager, who: SignedIn, id: string, pupilId: string, now: Date): Promise<void> {
  await em.transactional(async (tx) => {
    await lockInstruments(tx, who);
    const instrument = await instrumentOf(tx, who, id);
    const pupil = await pupilOf(tx, who, pupilId);
    if (pupil.leftOn !== null) throw wrongInput({ pupilId: `${pupil.shownName} has left.` });
    if (!isPlayable(instrument.condition))
      throw wrongInput({ pupilId: `Number ${instrument.number} is ${instrument.condition}.` });
    const loans = await openLoans(tx, who);
    const holder = loans.find((loan) => loan.instrumentId === id && loan.classId === pupil.schoolClass);
    if (holder !== undefined) throw wrongInput({ pupilId: `${holder.pupil} of this class has it.` });
    await tx.insert(LoanEntity, {
      id: newId(),
      instrument: id,
      pupil: pupilId,
      lentOn: localToday(now, who.timeZone),
      returnedOn: null,
    });
  });
}

function isPlayable(condition: Condition): boolean {
  return condition === 'good' || condition === 'worn';
}

export async function takeBack(em: EntityManager, who: SignedIn, loanId: string, now: Date): Promise<void> {
  const loan = await em.findOne(LoanEntity, { id: loanId });
  if (loan === null) throw notFound('loan');
  await instrumentOf(em, who, loan.instrument);
  const returnedOn = localToday(now, who.timeZone);
  await em.nativeUpdate(LoanEntity, { id: loanId, returnedOn: null }, { returnedOn });
}

/** Who would get which, and who none. */
export interface Lending {
  readonly pairs: readonly {
    readonly instrumentId: string;
    readonly number: number;
    readonly pupilId: string;
    readonly pupil: string;
  }[];
  readonly without: readonly string[];
}

export interface LendInput {
  readonly classId: string;
  /** Whether instruments that other classes have too may be given out. */
  readonly share: boolean;
  /** Only says what would happen. */
  readonly dryRun: boolean;
}

/** Lends to every pupil of a class who has none: by name, from the lowest number that nobody has. */
export async function lendToClass(em: EntityManager, who: SignedIn, input: LendInput, now: Date): Promise<Lending> {
  return em.transactional(async (tx) => {
    await lockInstruments(tx, who);
    const schoolClass = (await lendingClasses(tx, who)).find((each) => each.id === input.classId);
    if (schoolClass === undefined) throw notFound('class');
    const loans = await openLoans(tx, who);
    const instruments = await tx.find(
      InstrumentEntity,
      { school: who.schoolId, owner: 'school' },
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
    if (!input.dryRun)
      await tx.insertMany(
        LoanEntity,
        lending.pairs.map((pair) => ({
          id: newId(),
          instrument: pair.instrumentId,
          pupil: pair.pupilId,
          lentOn: localToday(now, who.timeZone),
          returnedOn: null,
        })),
      );
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
  for (const pupil of pupils.filter((each) => loans.every((loan) => loan.pupilId !== each.id))) {
    const at = left.findIndex((each) => each.kind === pupil.kind);
    const [found] = at < 0 ? [] : left.splice(at, 1);
    if (found === undefined) without.push(pupil.name);
    else pairs.push({ instrumentId: found.id, number: found.number, pupilId: pupil.id, pupil: pupil.name });
  }
  return { pairs, without };
}

/** Takes everything back that pupils of a class have from the school; gives how many. */
export async function takeBackFromClass(em: EntityManager, who: SignedIn, classId: string, now: Date): Promise<number> {
  const schoolClass = (await lendingClasses(em, who)).find((each) => each.id === classId);
  if (schoolClass === undefined) throw notFound('class');
  const loans = (await openLoans(em, who)).filter((loan) => loan.classId === classId);
  const returnedOn = localToday(now, who.timeZone);
  return em.nativeUpdate(LoanEntity, { id: { $in: loans.map((loan) => loan.id) }, returnedOn: null }, { returnedOn });
}

/** Notes that instruments have been cleaned now. */
export async function noteCleaned(em: EntityManager, who: SignedIn, ids: readonly string[], now: Date): Promise<void> {
  await em.nativeUpdate(InstrumentEntity, { school: who.schoolId, id: { $in: [...ids] } }, { cleanedAt: now });
}
