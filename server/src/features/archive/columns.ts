import type { Part } from '@escalier/contract/archive';
import { RECORD_COLUMNS } from '../hearing/index.ts';

/** Where the rows of a part stand in the database. */
interface PartTable {
  readonly table: string;
  /** How a row is known to be of the school: a column of its own, or a row that it belongs to. */
  readonly school: 'own' | { readonly column: string; readonly of: string };
  /** By the field of the archive: the column and its type. */
  readonly columns: Readonly<Record<string, readonly [column: string, type: ColumnType]>>;
  /** Columns by which the rows are in an order that is always the same. */
  readonly order: string;
  /** Columns that an archive does not carry, with what is written into them. */
  readonly made?: Readonly<Record<string, string>>;
}

type ColumnType = 'uuid' | 'text' | 'int' | 'bool' | 'date' | 'jsonb' | 'timestamptz';

const id = ['id', 'uuid'] as const;
const OF_PUPIL = { column: 'pupil_id', of: 'pupil' } as const;
const OF_CLASS = { column: 'school_class_id', of: 'school_class' } as const;

const { school: _, ...recordColumns } = RECORD_COLUMNS;

/** In an order in which every row stands behind those it points to. */
export const TABLES: Readonly<Record<Exclude<Part, 'people'>, PartTable>> = {
  terms: {
    table: 'term',
    school: 'own',
    order: 'id',
    columns: {
      id,
      name: ['name', 'text'],
      startsOn: ['starts_on', 'date'],
      endsOn: ['ends_on', 'date'],
      daysOff: ['days_off', 'jsonb'],
      rotation: ['rotation', 'jsonb'],
    },
  },
  tunes: {
    table: 'tune',
    school: 'own',
    order: 'id',
    columns: { id, title: ['title', 'text'], abc: ['abc', 'text'], archived: ['archived', 'bool'] },
    made: { content: '"content"' },
  },
  staircases: {
    table: 'staircase',
    school: 'own',
    order: 'id',
    columns: {
      id,
      name: ['name', 'text'],
      instrument: ['instrument', 'text'],
      noteOrder: ['note_order', 'jsonb'],
    },
  },
  steps: {
    table: 'step',
    school: { column: 'staircase_id', of: 'staircase' },
    order: 'id',
    columns: {
      id,
      staircase: ['staircase_id', 'uuid'],
      position: ['position', 'int'],
      tune: ['tune_id', 'uuid'],
      belt: ['belt', 'text'],
      lessons: ['lessons', 'int'],
      toPass: ['to_pass', 'int'],
      passRule: ['pass_rule', 'jsonb'],
    },
  },
  stepTunes: {
    table: 'step_tune',
    school: {
      column: 'step_id',
      of: '(select s.id, st.school_id from step s join staircase st on st.id = s.staircase_id)',
    },
    order: 'step_id, position',
    columns: {
      step: ['step_id', 'uuid'],
      tune: ['tune_id', 'uuid'],
      position: ['position', 'int'],
      role: ['role', 'text'],
    },
  },
  classes: {
    table: 'school_class',
    school: 'own',
    order: 'id',
    columns: {
      id,
      term: ['term_id', 'uuid'],
      staircase: ['staircase_id', 'uuid'],
      name: ['name', 'text'],
      grade: ['grade', 'text'],
      meetings: ['meetings', 'jsonb'],
      style: ['style', 'jsonb'],
      lost: ['lost', 'jsonb'],
      brings: ['brings', 'jsonb'],
    },
  },
  classTeachers: {
    table: 'class_teacher',
    school: OF_CLASS,
    order: 'school_class_id, account_id',
    columns: { schoolClass: ['school_class_id', 'uuid'], account: ['account_id', 'uuid'] },
  },
  pupils: {
    table: 'pupil',
    school: 'own',
    order: 'id',
    columns: {
      id,
      schoolClass: ['school_class_id', 'uuid'],
      shownName: ['shown_name', 'text'],
      startStep: ['start_step_id', 'uuid'],
      joinedOn: ['joined_on', 'date'],
      leftOn: ['left_on', 'date'],
      handMark: ['hand_mark', 'text'],
      note: ['note', 'text'],
      playsInstead: ['plays_instead', 'text'],
      mayRecord: ['may_record', 'bool'],
      erasedAt: ['erased_at', 'timestamptz'],
      breathSeconds: ['breath_seconds', 'int'],
      printSize: ['print_size', 'text'],
      easierLine: ['easier_line', 'bool'],
    },
  },
  moves: {
    table: 'pupil_move',
    school: OF_PUPIL,
    order: 'id',
    columns: {
      id,
      pupil: ['pupil_id', 'uuid'],
      fromClass: ['from_class_id', 'uuid'],
      toClass: ['to_class_id', 'uuid'],
      movedOn: ['moved_on', 'date'],
    },
  },
  absences: {
    table: 'absence',
    school: OF_PUPIL,
    order: 'pupil_id, date',
    columns: { pupil: ['pupil_id', 'uuid'], date: ['date', 'date'] },
  },
  classTunes: {
    table: 'class_tune',
    school: OF_CLASS,
    order: 'school_class_id, tune_id',
    columns: {
      schoolClass: ['school_class_id', 'uuid'],
      tune: ['tune_id', 'uuid'],
      breathSeconds: ['breath_seconds', 'int'],
      breaths: ['breaths', 'jsonb'],
      bookPage: ['book_page', 'text'],
    },
  },
  classNotes: {
    table: 'class_note',
    school: OF_CLASS,
    order: 'school_class_id, note',
    columns: {
      schoolClass: ['school_class_id', 'uuid'],
      note: ['note', 'text'],
      hint: ['hint', 'text'],
      bookPage: ['book_page', 'text'],
    },
  },
  lessons: {
    table: 'lesson_event',
    school: OF_CLASS,
    order: 'id',
    columns: {
      id,
      schoolClass: ['school_class_id', 'uuid'],
      account: ['account_id', 'uuid'],
      date: ['date', 'date'],
      at: ['at', 'timestamptz'],
      kind: ['kind', 'text'],
      content: ['content', 'jsonb'],
    },
  },
  records: {
    table: 'record_event',
    school: 'own',
    // So they get their numbers again when they come in.
    order: 'number',
    columns: recordColumns,
  },
  instruments: {
    table: 'instrument',
    school: 'own',
    order: 'id',
    columns: {
      id,
      number: ['number', 'int'],
      kind: ['kind', 'text'],
      owner: ['owner', 'text'],
      condition: ['condition', 'text'],
      note: ['note', 'text'],
      cleanedAt: ['cleaned_at', 'timestamptz'],
    },
  },
  loans: {
    table: 'loan',
    school: OF_PUPIL,
    order: 'id',
    columns: {
      id,
      instrument: ['instrument_id', 'uuid'],
      pupil: ['pupil_id', 'uuid'],
      lentOn: ['lent_on', 'date'],
      returnedOn: ['returned_on', 'date'],
    },
  },
  beltStock: {
    table: 'belt_stock',
    school: 'own',
    order: 'belt',
    columns: {
      belt: ['belt', 'text'],
      way: ['way', 'text'],
      onHand: ['on_hand', 'int'],
      cmEach: ['cm_each', 'int'],
      reservePercent: ['reserve_percent', 'int'],
    },
  },
  beltsGiven: {
    table: 'belt_given',
    school: OF_PUPIL,
    order: 'pupil_id, step_id',
    columns: {
      pupil: ['pupil_id', 'uuid'],
      step: ['step_id', 'uuid'],
      account: ['account_id', 'uuid'],
      givenAt: ['given_at', 'timestamptz'],
      taken: ['taken', 'int'],
    },
  },
  changes: {
    table: 'change',
    school: 'own',
    order: 'id',
    columns: {
      id,
      account: ['account_id', 'uuid'],
      at: ['at', 'timestamptz'],
      about: ['about', 'uuid'],
      what: ['what', 'jsonb'],
    },
  },
};

/** People come without passwords, and are matched by e-mail when they come in: import.ts brings them. */
const PEOPLE: PartTable = {
  table: 'account',
  school: 'own',
  order: 'id',
  columns: {
    id,
    email: ['email', 'text'],
    name: ['name', 'text'],
    role: ['role', 'text'],
    closedAt: ['closed_at', 'timestamptz'],
  },
};

/** The rows of a part as the archive names their fields; `$school` stands for the id of the school. */
export function selectOf(part: Part): string {
  const { table, school, columns, order } = part === 'people' ? PEOPLE : TABLES[part];
  const fields = Object.entries(columns).map(([field, [column, type]]) =>
    type === 'timestamptz'
      ? `to_char(t.${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "${field}"`
      : `t.${column} as "${field}"`,
  );
  const where =
    school === 'own'
      ? 't.school_id = $school'
      : `t.${school.column} in (select o.id from ${school.of} o where o.school_id = $school)`;
  return `select ${fields.join(', ')} from ${table} t where ${where} order by ${order}`;
}

/** Takes a JSON list of rows, and the id of the school where the table has one. */
export function insertOf(part: keyof typeof TABLES): { readonly sql: string; readonly withSchool: boolean } {
  const { table, school, columns, made = {} } = TABLES[part];
  const withSchool = school === 'own';
  const into = [...Object.values(columns).map(([column]) => column), ...Object.keys(made)];
  const from = [...Object.keys(columns).map((field) => `"${field}"`), ...Object.values(made)];
  const shape = [
    ...Object.entries(columns).map(([field, [, type]]) => `"${field}" ${type}`),
    ...Object.keys(made).map((column) => `"${column}" text`),
  ];
  const sql = `insert into ${table} (${withSchool ? 'school_id, ' : ''}${into.join(', ')})
    select ${withSchool ? '?::uuid, ' : ''}${from.join(', ')}
    from rows from (json_to_recordset(?::json) as (${shape.join(', ')})) with ordinality order by ordinality`;
  return { sql, withSchool };
}
