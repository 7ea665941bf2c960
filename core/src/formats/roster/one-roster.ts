import Papa from 'papaparse';
import { failure, success, type Result } from '../../music/index.ts';
import { unzipTexts } from '../unzip.ts';
import type { RosterTable } from './roster.ts';
import { t } from '../messages.ts';

export interface RosteredClass {
  readonly title: string;
  readonly table: RosterTable;
}

const NEEDED = ['users.csv', 'classes.csv', 'enrollments.csv'];
/** Of one file: a district of some ten thousand people. */
const MOST_LETTERS = 10_000_000;
const MOST_IN_CLASS = 200;

type Row = Readonly<Record<string, string>>;

/** The same as one ZIP file, the way most systems export it; the files may stand in a folder of it. */
export function readOneRosterZip(bytes: Uint8Array): Result<readonly RosteredClass[], string> {
  const read = unzipTexts(bytes, {
    mostBytes: 60_000_000,
    mostFiles: 100,
    wanted: /(^|\/)(users|classes|enrollments)\.csv$/i,
    what: t('one-roster.a-list-of-pupils'),
  });
  if (!read.ok) return read;
  const named = [...read.value].map(([name, text]): [string, string] => [name.split('/').at(-1)!.toLowerCase(), text]);
  return readOneRoster(new Map(named));
}

/**
 * The CSV set of OneRoster 1.1 or 1.2 (1EdTech): the pupils of each class. Of a person only the names are read.
 * @param files contents by their names; `users.csv`, `classes.csv` and `enrollments.csv` are needed.
 */
export function readOneRoster(files: ReadonlyMap<string, string>): Result<readonly RosteredClass[], string> {
  const missing = NEEDED.filter((name) => !files.has(name));
  if (missing.length > 0)
    return failure(
      t('one-roster.the-one-roster-set-is-incomplete', {
        list: missing.join(' and '),
        verb: missing.length > 1 ? 'are' : 'is',
      }),
    );
  for (const name of NEEDED) {
    const letters = files.get(name)!.length;
    if (letters > MOST_LETTERS)
      return failure(
        t('one-roster.name-is-number-mb-the-limit', {
          name,
          number: Math.round(letters / 1e6),
          mostLetters: MOST_LETTERS / 1e6,
        }),
      );
  }
  const rows = (name: string): readonly Row[] =>
    Papa.parse<Row>(files.get(name)!.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' }).data.filter(
      isActive,
    );
  const users = new Map(rows('users.csv').map((user) => [user.sourcedId ?? '', user]));
  const byClass = new Map<string, Row[]>();
  for (const one of rows('enrollments.csv')) {
    const user = users.get(one.userSourcedId ?? '');
    if (one.role?.toLowerCase() !== 'student' || user === undefined) continue;
    const id = one.classSourcedId ?? '';
    const there = byClass.get(id) ?? [];
    if (there.length < MOST_IN_CLASS) there.push(user);
    byClass.set(id, there);
  }
  const classes = rows('classes.csv').map((each): RosteredClass => {
    const pupils = byClass.get(each.sourcedId ?? '') ?? [];
    return {
      title: each.title ?? '',
      table: {
        columns: [t('one-roster.first-name'), t('one-roster.last-name')],
        rows: pupils.map((pupil) => [pupil.preferredFirstName || pupil.givenName || '', pupil.familyName ?? '']),
      },
    };
  });
  const filled = classes.filter((each) => each.table.rows.length > 0);
  return filled.length === 0 ? failure(t('one-roster.the-one-roster-set-has-no')) : success(filled);
}

function isActive(row: Row): boolean {
  return row.status === undefined || row.status === '' || row.status.toLowerCase() === 'active';
}
