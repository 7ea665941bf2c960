import type { LibraryRow } from '../../workers/index.ts';
import { t } from './messages.ts';

export const READINESS = [
  { value: 'all', text: t('library-filter.all') },
  { value: 'now', text: t('library-filter.playable-now') },
  { value: 'one', text: t('library-filter.one-new-note') },
] as const;
export type Readiness = (typeof READINESS)[number]['value'];

export const LENGTHS = [
  { value: '', text: 'any' },
  { value: 'short', text: t('library-filter.up-to-8-bars') },
  { value: 'middle', text: t('library-filter.9-to-16-bars') },
  { value: 'long', text: t('library-filter.more-than-16-2') },
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
  /** What the tunes have to have, to drill it: `leap 4`, `sign slur`; empty for anything. */
  readonly has: string;
  readonly length: Length;
  readonly words: boolean;
  readonly duet: boolean;
  /** Archived tunes are shown as well. */
  readonly archived: boolean;
}

export const NO_FILTER: LibraryFilter = {
  search: '',
  readiness: 'all',
  newNote: '',
  metre: '',
  key: '',
  tag: '',
  has: '',
  length: '',
  words: false,
  duet: false,
  archived: false,
};

/** How far a tune is from what the class knows: a new note weighs more than a new rhythm; what cannot be played comes last. */
export function distance(row: LibraryRow): number {
  return 100 * row.unplayable.length + 4 * row.newNotes.length + row.newElements.length;
}

/** The rows that match, the nearest to what the class knows first; of those that have one thing the easiest first. */
export function filtered(rows: readonly LibraryRow[], filter: LibraryFilter): readonly LibraryRow[] {
  const wanted = plain(filter.search);
  return rows
    .filter(
      (row) =>
        isReady(row, filter) &&
        (wanted === '' ||
          plain([row.title, ...row.otherTitles, row.composer, ...row.tags].join(' ')).includes(wanted)) &&
        (filter.metre === '' || row.metre === filter.metre) &&
        (filter.key === '' || row.key === filter.key) &&
        (filter.tag === '' || row.tags.includes(filter.tag)) &&
        (filter.has === '' || row.has.includes(filter.has)) &&
        (filter.length === '' || lengthOf(row) === filter.length) &&
        (!filter.words || row.hasWords) &&
        (!filter.duet || row.isDuet),
    )
    .toSorted(
      (a, b) =>
        // Who drills one thing goes from the easiest tune to the hardest.
        (filter.has === '' ? distance(a) - distance(b) : 0) ||
        a.difficulty - b.difficulty ||
        a.title.localeCompare(b.title),
    );
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

/** Without accents, capitals and punctuation, so that a search finds what was meant. */
function plain(text: string): string {
  return text
    .normalize('NFD')
    .replace(/[\p{M}’']/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .toLowerCase()
    .trim();
}

/** The values that a select offers, each once, in order, after "any". */
export function offered(
  rows: readonly LibraryRow[],
  of: (row: LibraryRow) => readonly string[],
  words: (value: string) => string = (value) => value,
): readonly { readonly value: string; readonly text: string }[] {
  const values = [...new Set(rows.flatMap(of))].toSorted();
  return [{ value: '', text: 'any' }, ...values.map((value) => ({ value, text: words(value) }))];
}
