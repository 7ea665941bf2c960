import type { DaysOff, LocalDate, ReadHolidays, Rotation } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { reader } from '../../reader/index.ts';
import { changedFields, changeVersion, noteChange } from '../changes/index.ts';
import { TermEntity } from './entities.ts';
import type { TermChange, TermInput } from './input.ts';

export interface TermDto {
  readonly id: string;
  readonly name: string;
  readonly startsOn: LocalDate;
  readonly endsOn: LocalDate;
  readonly daysOff: readonly DaysOff[];
  readonly rotation: Rotation;
  readonly version: number;
}

export async function listTerms(em: EntityManager, who: SignedIn): Promise<readonly TermDto[]> {
  return em.find(TermEntity, { school: who.schoolId }, { orderBy: { startsOn: 'desc' } });
}

export async function addTerm(em: EntityManager, who: SignedIn, input: TermInput): Promise<TermDto> {
  const id = newId();
  await em.transactional(async (tx) => {
    await tx.insert(TermEntity, { id, school: who.schoolId, ...input });
    await noteChange(tx, who, id, `${input.name}: term made`);
  });
  return { id, ...input, version: 1 };
}

/** @throws Problem 404 when the term is not of the asker's school. */
export async function changeTerm(em: EntityManager, who: SignedIn, id: string, change: TermChange): Promise<TermDto> {
  const { version, ...input } = change;
  const before = await em.findOne(TermEntity, { id, school: who.schoolId });
  if (before === null) throw notFound('term');
  const changed = changedFields(before, input, TERM_WORDS);
  await em.transactional(async (tx) => {
    await changeVersion(tx, who, TermEntity, { where: { id }, about: id, version }, input);
    if (changed !== '') await noteChange(tx, who, id, `${before.name}: ${changed}`);
  });
  return { id, ...input, version: version + 1 };
}

const TERM_WORDS = {
  name: 'name',
  startsOn: 'first day',
  endsOn: 'last day',
  daysOff: 'days off',
  rotation: 'rotation',
} as const;

/** What an iCalendar file would add to a term; nothing is stored. @throws Problem 400 when it is no such file. */
export async function previewHolidays(
  em: EntityManager,
  who: SignedIn,
  id: string,
  ics: string,
): Promise<ReadHolidays> {
  const term = await em.findOne(TermEntity, { id, school: who.schoolId });
  if (term === null) throw notFound('term');
  const read = await reader.holidays(who.accountId, ics, term.startsOn, term.endsOn);
  if (!read.ok) throw wrongInput({ ics: { code: 'file', words: read.error } });
  return read.value;
}
