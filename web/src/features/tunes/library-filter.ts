import type { LibraryRow } from '../../workers/index.ts';

export const READINESS = [
  { value: 'all', label: 'All' },
  { value: 'now', label: 'Playable now' },
  { value: 'one', label: 'One new note away' },
] as const;
export type Readiness = (typeof READINESS)[number]['value'];

export const SORTS = [
  { value: 'fit', label: 'Fit to the class' },
  { value: 'difficulty', label: 'Difficulty' },
  { value: 'title', label: 'Title' },
] as const;
export type Sort = (typeof SORTS)[number]['value'];

export const LENGTHS = [
  { value: '', label: 'any' },
  { value: 'short', label: 'up to 8 bars' },
  { value: 'middle', label: '9 to 16 bars' },
  { value: 'long', label: 'more than 16' },
] as const;
export type Length = (typeof LENGTHS)[number]['value'];

export interface LibraryFilter {
  readonly search: string;
  readonly readiness: Readiness;
  /** A note that the tune has to bring as its only new one; empty for any. */
  readonly newNote: string;
  readonly metre: string;
  readonly key: string;
  readonly tag: string;
  readonly length: Length;
  readonly words: boolean;
  readonly duet: boolean;
  readonly sort: Sort;
}

export const NO_FILTER: LibraryFilter = {
  search: '',
  readiness: 'all',
  newNote: '',
  metre: '',
  key: '',
  tag: '',
  length: '',
  words: false,
  duet: false,
  sort: 'fit',
};

/** How far a tune is from what the class knows: a new note weighs more than a new rhythm; what cannot be played comes last. */
export function distance(row: LibraryRow): number {
  return 100 * row.unplayable.length + 4 * row.newNotes.length + row.newElements.length;
}

export function filtered(rows: readonly LibraryRow[], filter: LibraryFilter): readonly LibraryRow[] {
  const wanted = plain(filter.search);
  return rows
    .filter(
      (row) =>
        isReady(row, filter) &&
        (wanted === '' || plain([row.title, row.composer, ...row.tags].join(' ')).includes(wanted)) &&
        (filter.metre === '' || row.metre === filter.metre) &&
        (filter.key === '' || row.key === filter.key) &&
        (filter.tag === '' || row.tags.includes(filter.tag)) &&
        (filter.length === '' || lengthOf(row) === filter.length) &&
        (!filter.words || row.hasWords) &&
        (!filter.duet || row.isDuet),
    )
    .toSorted((a, b) => compare(a, b, filter.sort) || a.title.localeCompare(b.title));
}

function lengthOf({ bars }: LibraryRow): Length {
  return bars <= 8 ? 'short' : bars <= 16 ? 'middle' : 'long';
}

function isReady(row: LibraryRow, filter: LibraryFilter): boolean {
  if (filter.readiness === 'all') return true;
  if (row.unplayable.length > 0) return false;
  if (filter.readiness === 'now') return row.newNotes.length === 0;
  return row.newNotes.length === 1 && (filter.newNote === '' || row.newNotes[0] === filter.newNote);
}

function compare(a: LibraryRow, b: LibraryRow, sort: Sort): number {
  if (sort === 'title') return 0;
  if (sort === 'difficulty') return a.difficulty - b.difficulty;
  return distance(a) - distance(b) || a.difficulty - b.difficulty;
}

/** Without accents and capitals, so that a search finds what was meant. */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}

/** The values that a select offers, each once, in order. */
export function offered(rows: readonly LibraryRow[], of: (row: LibraryRow) => readonly string[]): readonly string[] {
  return [...new Set(rows.flatMap(of))].toSorted();
}
