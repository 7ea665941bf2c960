import { writeCsv, type CsvTable } from '@escalier/core/formats';
import { findInstrument } from '@escalier/core/instruments';
import { hearings } from '@escalier/core/records';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import type { EntityManager } from '../../platform/database.ts';
import { toEvent, type EventRow } from '../hearing/index.ts';
import { withSnapshot, type Snapshot } from './rows.ts';

type Cells = CsvTable['rows'][number];

/** A table for a spreadsheet: names instead of ids. */
interface Table {
  readonly name: string;
  readonly columns: readonly string[];
  readonly rows: (snapshot: Snapshot) => AsyncGenerator<readonly Cells[]>;
}

/** A table whose rows are just as the database gives them. */
function plain(name: string, columns: readonly string[], query: string, shown = (cells: Cells): Cells => cells): Table {
  return {
    name,
    columns,
    async *rows(snapshot) {
      for await (const rows of snapshot.rows<Record<string, string | number | null>>(query))
        yield rows.map((row) => shown(Object.values(row)));
    },
  };
}

const MOMENT = `'YYYY-MM-DD"T"HH24:MI:SS"Z"'`;

const RECORDS = `
select r.id, r.kind, r.pupil_id as "pupilId", r.step_id as "stepId", r.tune_id as "tuneId", r.outcome, r.remarks, r.details,
  r.undoes, r.corrects, r.reason, r.number::float8 as number, r.device_ahead as "deviceAhead", to_char(r.heard_at at time zone 'UTC', ${MOMENT}) as "heardAt", c.name as class,
  p.shown_name as pupil, s.position, coalesce(own.title, first.title) as tune, a.name as "heardBy"
from record_event r join school_class c on c.id = r.school_class_id join pupil p on p.id = r.pupil_id
  join step s on s.id = r.step_id join tune first on first.id = s.tune_id left join tune own on own.id = r.tune_id
  join account a on a.id = r.account_id
where r.school_id = $school order by r.pupil_id, r.number`;

interface RecordRow extends EventRow {
  readonly class: string;
  readonly pupil: string;
  readonly position: number;
  readonly tune: string;
  readonly heardBy: string;
}

/** The hearings of one pupil that count: nothing that was taken back, corrections in the place of what they correct. */
function hearingCells(rows: readonly RecordRow[]): readonly Cells[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  return hearings(rows.map(toEvent)).map((event) => {
    const row = byId.get(event.id)!;
    const words = event.remarks.join(' ');
    return [event.heardAt, row.class, row.pupil, row.position, row.tune, event.outcome, words, row.heardBy];
  });
}

async function* recordRows(snapshot: Snapshot): AsyncGenerator<readonly Cells[]> {
  let ofPupil: RecordRow[] = [];
  for await (const rows of snapshot.rows<RecordRow>(RECORDS)) {
    const done: Cells[] = [];
    for (const row of rows) {
      if (ofPupil.length > 0 && ofPupil[0]!.pupilId !== row.pupilId) {
        done.push(...hearingCells(ofPupil));
        ofPupil = [];
      }
      ofPupil.push(row);
    }
    yield done;
  }
  yield hearingCells(ofPupil);
}

const TABLES: readonly Table[] = [
  plain(
    'classes',
    ['Class', 'Grade', 'Term', 'Staircase', 'Pupils'],
    `select c.name, c.grade, t.name as term, s.name as staircase,
      (select count(*)::int from pupil p where p.school_class_id = c.id and p.left_on is null) as pupils
    from school_class c join term t on t.id = c.term_id join staircase s on s.id = c.staircase_id
    where c.school_id = $school order by c.name, c.id`,
  ),
  plain(
    'pupils',
    ['Name', 'Class', 'Start step', 'Joined on', 'Left on', 'Hand mark', 'Note', 'Recordings allowed'],
    `select p.shown_name, c.name, s.position, p.joined_on::text, p.left_on::text, p.hand_mark, p.note,
      case when p.may_record then 'yes' else 'no' end as recordings
    from pupil p join school_class c on c.id = p.school_class_id join step s on s.id = p.start_step_id
    where p.school_id = $school order by c.name, p.shown_name, p.id`,
  ),
  {
    name: 'records',
    columns: ['Heard at', 'Class', 'Pupil', 'Step', 'Tune', 'Outcome', 'Remarks', 'Heard by'],
    rows: recordRows,
  },
  plain(
    'absences',
    ['Date', 'Class', 'Pupil'],
    `select a.date::text, c.name, p.shown_name
    from absence a join pupil p on p.id = a.pupil_id join school_class c on c.id = p.school_class_id
    where p.school_id = $school order by a.date, c.name, p.shown_name`,
  ),
  plain(
    'instruments',
    ['Number', 'Kind', 'Whose', 'State', 'Note', 'Cleaned at', 'Lent to'],
    `select i.number, i.kind, i.owner, i.condition, i.note, to_char(i.cleaned_at at time zone 'UTC', ${MOMENT}) as cleaned,
      (select string_agg(p.shown_name, ', ' order by p.shown_name) from loan l join pupil p on p.id = l.pupil_id
        where l.instrument_id = i.id and l.returned_on is null) as lent
    from instrument i where i.school_id = $school order by i.kind, i.number`,
    ([number, kind, ...rest]) => [number!, findInstrument(String(kind))?.name ?? kind!, ...rest],
  ),
];

/** Writes the tables as one ZIP of CSV files, piece by piece. */
export async function exportTables(
  em: EntityManager,
  schoolId: string,
  write: (bytes: Uint8Array) => Promise<void>,
): Promise<void> {
  let waiting: Uint8Array[] = [];
  const zip = new Zip((error, bytes) => {
    if (error !== null) throw error;
    waiting.push(bytes);
  });
  const flush = async (): Promise<void> => {
    const ready = waiting;
    waiting = [];
    for (const bytes of ready) await write(bytes);
  };
  await withSnapshot(em, schoolId, async (snapshot) => {
    for (const { name, columns, rows } of TABLES) {
      const file = new ZipDeflate(`${name}.csv`, { level: 6 });
      zip.add(file);
      // A byte order mark makes spreadsheets read the text as UTF-8.
      file.push(strToU8(`\uFEFF${writeCsv({ columns, rows: [] })}`));
      for await (const cells of rows(snapshot)) {
        if (cells.length > 0) file.push(strToU8(writeCsv({ columns: null, rows: cells })));
        await flush();
      }
      file.push(new Uint8Array(), true);
    }
    zip.end();
    await flush();
  });
}
