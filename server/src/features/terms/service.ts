import type { TermChange, TermDto, TermInput } from '@escalier/contract/terms';
import type { ReadHolidays } from '@escalier/core/calendar';
import type { SignedIn } from '../../platform/context.ts';
import type { EntityManager } from '../../platform/database.ts';
import { newId } from '../../platform/ids.ts';
import { notFound, wrongInput } from '../../platform/problem.ts';
import { reader } from '../../reader/index.ts';
import { changedFields, changeVersion, logChange } from '../changes/index.ts';
import { TermEntity } from './entities.ts';

export async function listTerms(em: EntityManager, user: SignedIn): Promise<readonly TermDto[]> {
  const terms = await em.find(TermEntity, { school: user.schoolId }, { orderBy: { startsOn: 'desc' } });
  return terms.map(termFacts);
}

/** A term without whose it is. */
export function termFacts({ id, name, startsOn, endsOn, daysOff, rotation, version }: TermDto): TermDto {
  return { id, name, startsOn, endsOn, daysOff, rotation, version };
}

export async function addTerm(em: EntityManager, user: SignedIn, input: TermInput): Promise<TermDto> {
  const id = newId();
  await em.transactional(async (tx) => {
    await tx.insert(TermEntity, { id, school: user.schoolId, ...input });
    await logChange(tx, user, id, { code: 'term-made', name: input.name });
  });
  return { id, ...input, version: 1 };
}

/** @throws Problem 404 when the term is not of the asker's school. */
export async function changeTerm(em: EntityManager, user: SignedIn, id: string, change: TermChange): Promise<TermDto> {
  const { version, ...input } = change;
  const before = await em.findOne(TermEntity, { id, school: user.schoolId });
  if (before === null) throw notFound('term');
  const fields = changedFields(before, input);
  await em.transactional(async (tx) => {
    await changeVersion(tx, user, TermEntity, { where: { id }, about: id, version }, input);
    if (fields.length > 0) await logChange(tx, user, id, { code: 'term-changed', name: before.name, fields });
  });
  return { id, ...input, version: version + 1 };
}

/** What an iCalendar file would add to a term; nothing is stored. @throws Problem 400 when it is no such file. */
export async function previewHolidays(
  em: EntityManager,
  user: SignedIn,
  id: string,
  ics: string,
): Promise<ReadHolidays> {
  const term = await em.findOne(TermEntity, { id, school: user.schoolId });
  if (term === null) throw notFound('term');
  const read = await reader.holidays(user.accountId, ics, term.startsOn, term.endsOn);
  if (!read.ok) throw wrongInput({ ics: { code: 'file', words: read.error } });
  return read.value;
}
