import { NAMINGS, type Naming } from '@escalier/core/instruments';
import { MOST_ROWS, type NoteRow } from '@escalier/core/practice';
import type { ClassSettings } from '@escalier/server/api';

/** The naming of a row; null for one of counting or of words. */
export function namingOf({ kind }: NoteRow): Naming | null {
  return NAMINGS.find((naming) => naming === kind) ?? null;
}

/** What stands under the notes before anybody changes it: the class's rows, and the words of a tune that has some. */
export function usualRows(style: ClassSettings['style'] | null, hasWords: boolean): readonly NoteRow[] {
  const own: readonly NoteRow[] =
    style === null
      ? [{ kind: 'letters', fill: 'full' }]
      : style.teaching.rows.length > 0
        ? style.teaching.rows
        : [
            { kind: style.naming, fill: 'full' },
            ...(style.counting === null ? [] : [{ kind: 'counting', fill: 'full' } as const]),
          ];
  const rows = own.filter(({ kind }) => kind !== 'words' || hasWords);
  const isWanted = hasWords && rows.length < MOST_ROWS && rows.every(({ kind }) => kind !== 'words');
  return isWanted ? [...rows, { kind: 'words', fill: 'full' }] : rows;
}
