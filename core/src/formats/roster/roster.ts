import Papa from 'papaparse';
import { failure, success, type Result } from '../../music/index.ts';
import { writeCsv } from '../csv.ts';
import { nameKey } from './name-key.ts';
import { t } from '../messages.ts';

/** A table as a file or a paste from a spreadsheet gives it. */
export interface RosterTable {
  /** Names of the columns; numbered where the table has no head. */
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** What a column stands for. Only the shown name is needed. */
export const ROSTER_FIELDS = ['name', 'first-name', 'last-name', 'start-step', 'joined-on', 'ignore'] as const;
export type RosterField = (typeof ROSTER_FIELDS)[number];

const MOST_ROWS = 500;
const MOST_COLUMNS = 60;
const MOST_LETTERS = 1_000_000;

/** Heads of columns as schools write them, in lower case. */
const HEADS: readonly (readonly [RosterField, RegExp])[] = [
  ['first-name', /^(first|given|fore)[ _-]?name$|^given$|^forename$|^vorname$|^pr[ée]nom$/],
  ['last-name', /^(last|family|sur)[ _-]?name$|^surname$|^nachname$|^nom$/],
  ['name', /^(shown|display|preferred|full|pupil|student|child)?[ _-]?name$|^pupil$|^student$|^child$/],
  ['start-step', /^(start[ _-]?)?step$|^level$/],
  ['joined-on', /^joined([ _-]?on)?$|^(start|entry)[ _-]?date$/],
];

function fieldOf(head: string): RosterField {
  const text = head.trim().toLowerCase();
  return HEADS.find(([, pattern]) => pattern.test(text))?.[0] ?? 'ignore';
}

/**
 * Reads commas, semicolons or tabs.
 * @param head whether the first line names the columns; when not given, a known name among its cells tells.
 */
export function readRoster(text: string, head?: boolean): Result<RosterTable, string> {
  if (text.length > MOST_LETTERS) return failure(t('roster.too-large-for-a-class-list'));
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const rows = data.map((row) => row.map((cell) => cell.trim()));
  const [first] = rows;
  if (first === undefined) return failure(t('roster.it-is-empty-one-pupil-per'));
  if (rows.length > MOST_ROWS)
    return failure(t('roster.there-are-rows-count-lines-the', { rowsCount: rows.length, mostRows: MOST_ROWS }));
  const width = Math.max(...rows.map((row) => row.length));
  if (width > MOST_COLUMNS)
    return failure(t('roster.there-are-width-columns-the-limit', { width, mostColumns: MOST_COLUMNS }));
  const even = rows.map((row) => Array.from({ length: width }, (_, index) => row[index] ?? ''));
  const hasHead = head ?? first.some((cell) => fieldOf(cell) !== 'ignore');
  return success({
    columns: Array.from(
      { length: width },
      (_, index) => (hasHead ? first[index] : '') || t('roster.column-index', { index: index + 1 }),
    ),
    rows: hasHead ? even.slice(1) : even,
  });
}

/** What the columns most likely are: by their heads, and without heads the first column that holds words. */
export function guessMapping({ columns, rows }: RosterTable): readonly RosterField[] {
  const guessed = columns.map(fieldOf);
  if (guessed.some((field) => field === 'name' || field === 'first-name')) return guessed;
  const words = columns.findIndex((_, index) => rows.some((row) => /\p{L}/u.test(row[index] ?? '')));
  return guessed.map((field, index) => (index === words ? 'name' : field));
}

export interface RosterPupil {
  readonly name: string;
  readonly startStep: number;
  /** A date such as 2026-01-31. */
  readonly joinedOn: string;
}

export interface RosterRow {
  /** Line of the table, counted from 1. */
  readonly line: number;
  readonly pupil: RosterPupil;
  /** In sentences; a row with an error is not taken. */
  readonly problems: readonly string[];
}

export interface RosterContext {
  /** Names of pupils who are in the class. */
  readonly there: readonly string[];
  readonly steps: number;
  readonly today: string;
}

/** Each row as a pupil, with what is wrong with it: a dry run. */
export function checkRoster(
  table: RosterTable,
  mapping: readonly RosterField[],
  { there, steps, today }: RosterContext,
): readonly RosterRow[] {
  const seen = new Map(there.map((name) => [nameKey(name), t('roster.in-the-class-already')]));
  return table.rows.map((row, index): RosterRow => {
    const cell = (field: RosterField): string => row[mapping.indexOf(field)] ?? '';
    const name = shownName(cell('name'), cell('first-name'), cell('last-name'), table, mapping);
    const [step, joined] = [cell('start-step'), cell('joined-on')];
    const problems: string[] = [];
    if (name === '') problems.push(t('roster.the-name-is-missing'));
    else if (name.length > 60) problems.push(t('roster.the-name-is-longer-than-60-2'));
    const twin = seen.get(nameKey(name));
    if (name !== '' && twin !== undefined) problems.push(t('roster.name-is-twin-add-a-letter', { name, twin }));
    seen.set(nameKey(name), `in line ${index + 1} too`);
    const startStep = step === '' ? 1 : Number(step);
    if (!Number.isInteger(startStep) || startStep < 1 || startStep > steps)
      problems.push(t('roster.step-is-not-a-step-steps', { step, steps }));
    if (joined !== '' && !isDate(joined)) problems.push(t('roster.joined-is-not-a-date-write', { joined }));
    return { line: index + 1, pupil: { name, startStep, joinedOn: joined === '' ? today : joined }, problems };
  });
}

/** The shown name, or the first name with as much of the last as tells namesakes apart. */
function shownName(
  name: string,
  first: string,
  last: string,
  table: RosterTable,
  mapping: readonly RosterField[],
): string {
  if (name !== '') return name;
  if (first === '' || last === '') return first || last;
  const [firsts, lasts] = [mapping.indexOf('first-name'), mapping.indexOf('last-name')];
  const namesakes = table.rows
    .filter((row) => nameKey(row[firsts] ?? '') === nameKey(first))
    .map((row) => row[lasts] ?? '');
  if (namesakes.length < 2) return first;
  const others = namesakes.filter((other) => other !== last);
  for (let letters = 1; letters < last.length; letters++) {
    const short = last.slice(0, letters);
    if (others.every((other) => !other.startsWith(short))) return `${first} ${short}.`;
  }
  return `${first} ${last}`;
}

function isDate(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const [year, month, day] = text.split('-').map(Number) as [number, number, number];
  const made = new Date(Date.UTC(year, month - 1, day));
  return made.getUTCMonth() === month - 1 && made.getUTCDate() === day;
}

/** The pupils of a class as CSV (RFC 4180), to be read again or elsewhere. */
export function writeRoster(
  pupils: readonly (RosterPupil & { readonly leftOn: string | null; readonly steps: number })[],
): string {
  const rows = pupils.map((pupil) => [pupil.name, pupil.startStep, pupil.joinedOn, pupil.leftOn ?? '', pupil.steps]);
  return writeCsv({
    columns: [
      t('roster.name'),
      t('roster.start-step'),
      t('roster.joined-on'),
      t('roster.left-on'),
      t('roster.steps-passed'),
    ],
    rows,
  });
}
