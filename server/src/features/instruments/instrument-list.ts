import type { InstrumentLine, InstrumentList, LendingClass } from '@escalier/contract/instruments';
import { TZDate } from '@date-fns/tz';
import { cleaningCalls, lessonsOf, type CleaningCall, type LocalDate } from '@escalier/core/calendar';
import { addDays, format } from 'date-fns';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { ClassEntity, ownClasses, PupilEntity } from '../classes/index.ts';
import { StaircaseEntity } from '../staircase/index.ts';
import { TermEntity } from '../terms/index.ts';
import { InstrumentEntity } from './entities.ts';
import { localToday } from '../../platform/today.ts';

/** So far ahead cleaning is called for. */
const CLEANING_DAYS = 7;

export interface LoanLine {
  readonly id: string;
  readonly pupilId: string;
  readonly pupil: string;
  readonly classId: string;
  readonly lentOn: LocalDate;
}

export async function instrumentList(em: EntityManager, user: SignedIn, now: Date): Promise<InstrumentList> {
  const classes = await lendingClasses(em, user);
  const instruments = await em.find(
    InstrumentEntity,
    { school: user.schoolId },
    { orderBy: { kind: 'asc', number: 'asc' } },
  );
  const own = await ownClasses(em, user);
  const isOwn = (classId: string): boolean => own === null || own.includes(classId);
  const loans = (await openLoans(em, user)).map((loan) => (isOwn(loan.classId) ? loan : { ...loan, pupil: ANOTHER }));
  const lines = instruments.map(({ id, number, kind, owner, condition, note, cleanedAt, version }): InstrumentLine => ({
    id,
    number,
    kind,
    owner,
    condition,
    note,
    version,
    cleanedAt: (cleanedAt ?? null) === null ? null : localTime(cleanedAt!, user.timeZone),
    loans: loans.filter((loan) => loan.instrumentId === id).map(({ instrumentId: _, ...loan }) => loan),
  }));
  return { instruments: lines, classes, cleaning: await cleaning(em, user, lines, now) };
}

export interface OpenLoan extends LoanLine {
  readonly instrumentId: string;
}

/** Stands for the name of a pupil whose class one does not teach. */
const ANOTHER = 'A pupil';

export async function openLoans(em: EntityManager, user: SignedIn): Promise<readonly OpenLoan[]> {
  return em.execute<OpenLoan[]>(
    `select l.id, l.instrument_id as "instrumentId", p.id as "pupilId", p.shown_name as pupil,
      p.school_class_id as "classId", to_char(l.lent_on, 'YYYY-MM-DD') as "lentOn"
    from loan l join pupil p on p.id = l.pupil_id
    where p.school_id = ? and l.returned_on is null order by p.shown_name`,
    [user.schoolId],
  );
}

export async function lendingClasses(em: EntityManager, user: SignedIn): Promise<readonly LendingClass[]> {
  const own = await ownClasses(em, user);
  const classes = await em.find(
    ClassEntity,
    { school: user.schoolId, ...(own === null ? {} : { id: { $in: [...own] } }) },
    { orderBy: { name: 'asc' } },
  );
  const stairs = await em.find(StaircaseEntity, { school: user.schoolId });
  const pupils = await em.find(
    PupilEntity,
    { schoolClass: { $in: classes.map((each) => each.id) }, leftOn: null },
    { orderBy: { shownName: 'asc', id: 'asc' } },
  );
  return classes.map(({ id, name, staircase }) => {
    const kind = stairs.find((stair) => stair.id === staircase)!.instrument;
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
  user: SignedIn,
  lines: readonly InstrumentLine[],
  now: Date,
): Promise<readonly CleaningCall[]> {
  const shared = lines
    .filter((line) => line.loans.length > 1)
    .map(({ id, loans, cleanedAt }) => ({ id, classIds: loans.map((loan) => loan.classId), cleanedAt }));
  if (shared.length === 0) return [];
  const classes = await em.find(ClassEntity, { school: user.schoolId });
  const terms = await em.find(TermEntity, { school: user.schoolId });
  const lessons = classes.flatMap((each) =>
    lessonsOf(
      terms.find((term) => term.id === each.term)!,
      each.meetings,
    )
      .filter((lesson) => lesson.mode === 'room')
      .map((lesson) => ({ classId: each.id, date: lesson.date, at: lesson.at, minutes: lesson.minutes })),
  );
  const until = localToday(addDays(now, CLEANING_DAYS), user.timeZone);
  return cleaningCalls(shared, lessons, localTime(now, user.timeZone), until);
}

function localTime(moment: Date, timeZone: string): string {
  return format(new TZDate(moment, timeZone), "yyyy-MM-dd'T'HH:mm");
}
