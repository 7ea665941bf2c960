import Papa from 'papaparse';
import { failure, success, type Result } from '../../music/index.ts';
import type { RosterTable } from './roster.ts';

export interface RosteredClass {
  readonly title: string;
  readonly table: RosterTable;
}

type Row = Readonly<Record<string, string>>;

/**
 * The CSV set of OneRoster 1.1 or 1.2 (1EdTech): the pupils of each class. Of a person only the names are read.
 * @param files contents by their names; `users.csv`, `classes.csv` and `enrollments.csv` are needed.
 */
export function readOneRoster(files: ReadonlyMap<string, string>): Result<readonly RosteredClass[], string> {
  const missing = ['users.csv', 'classes.csv', 'enrollments.csv'].filter((name) => !files.has(name));
  if (missing.length > 0)
    return failure(`Of a OneRoster set ${missing.join(' and ')} ${missing.length > 1 ? 'are' : 'is'} missing.`);
  const rows = (name: string): readonly Row[] =>
    Papa.parse<Row>(files.get(name)!.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' }).data.filter(
      isActive,
    );
  const users = new Map(rows('users.csv').map((user) => [user.sourcedId ?? '', user]));
  const enrolled = rows('enrollments.csv').filter((each) => each.role?.toLowerCase() === 'student');
  const classes = rows('classes.csv').map((each): RosteredClass => {
    const pupils = enrolled
      .filter((one) => one.classSourcedId === each.sourcedId)
      .flatMap((one): readonly Row[] => {
        const user = users.get(one.userSourcedId ?? '');
        return user === undefined ? [] : [user];
      });
    return {
      title: each.title ?? '',
      table: {
        columns: ['First name', 'Last name'],
        rows: pupils.map((pupil) => [pupil.preferredFirstName || pupil.givenName || '', pupil.familyName ?? '']),
      },
    };
  });
  const filled = classes.filter((each) => each.table.rows.length > 0);
  return filled.length === 0 ? failure('The OneRoster set has no class with pupils.') : success(filled);
}

function isActive(row: Row): boolean {
  return row.status === undefined || row.status === '' || row.status.toLowerCase() === 'active';
}
