import { PRINT_SIZES, TEMPLATE_IDS } from '@escalier/core/handouts';
import { LESSON_MODES } from '@escalier/core/calendar';
import { CONDITIONS, INSTRUMENT_IDS, NAMINGS, OWNERS, STOCK_WAYS } from '@escalier/core/instruments';
import { COUNTINGS, LENGTH_WORDS, LETTERS } from '@escalier/core/music';
import {
  CAUTION_PLACES,
  MOUTH_RULES,
  PASS_RULES,
  REST_PLACES,
  RUNG_IDS,
  USUAL_TEACHING,
} from '@escalier/core/practice';
import { OUTCOMES } from '@escalier/core/records';
import { MOST_ABC_CHARACTERS } from '@escalier/core/formats';
import { ANY_WAY, BELTS, LOOK_FOR } from '@escalier/core/staircase';
import { z } from 'zod';
import { ROLES } from '../../platform/context.ts';
import { localDate, moment, timeZone, whole } from '../../platform/fields.ts';
import { lessonEventContent } from '../lesson/index.ts';
import { bringsInput, NOTHING_BROUGHT, teachingInput } from '../classes/index.ts';
import { withDays } from '../terms/index.ts';

/** docs/ARCHIVE.md says what each part is. A new version is read beside the old ones, never instead of them. */
export const ARCHIVE_FORMAT = 'escalier-school';
export const ARCHIVE_VERSION = 1;

const MOST_LETTERS = 5000;
const id = z.uuid();
/** What the database can hold: earlier versions let more into a name than the forms of today do. */
const text = z
  .string()
  .max(MOST_LETTERS)
  .refine((value) => value.isWellFormed() && !value.includes('\u0000'), 'not-storable');
const weekday = z.int().min(1).max(7);
const seconds = z.int().min(-2_147_483_647).max(2_147_483_647);
const points = z.number().min(0).max(1000);

const meeting = z.object({
  on: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('weekly'), weekday }),
    z.object({ kind: z.literal('alternating'), week: z.enum(['A', 'B']), weekday }),
    z.object({ kind: z.literal('cycle'), day: z.int().min(1).max(20) }),
  ]),
  at: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/),
  minutes: whole,
  mode: z.enum(LESSON_MODES),
});

const style = z.object({
  naming: z.enum(NAMINGS),
  counting: z.enum(COUNTINGS).nullable(),
  lengthWords: z.enum(LENGTH_WORDS),
  goOnShare: z.int().min(1).max(100),
  posture: z.object({ mouth: z.enum(MOUTH_RULES), restsAt: z.enum(REST_PLACES), handMark: text }),
  passRule: z.enum(PASS_RULES),
  ladder: z.array(z.enum(RUNG_IDS)).max(20),
  hearing: z.object({ minutes: whole, within: whole }).default({ minutes: 10, within: 6 }),
  points: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.literal('none') }),
      z.object({ kind: z.literal('bonus'), perStep: points, most: points }),
      z.object({ kind: z.literal('share'), outOf: points, steps: whole }),
    ])
    .default({ kind: 'none' }),
  teaching: teachingInput.default({ ...USUAL_TEACHING, rows: [] }),
});

const caution = z.object({ id: text, text, places: z.array(z.enum(CAUTION_PLACES)), shown: z.boolean() });

const remark = z.object({ id: text, words: text, remedy: text });

const noteColours = z.record(z.enum(LETTERS), z.string().regex(/^#[0-9a-f]{6}$/));

const span = z.tuple([whole, whole]);

const record = z
  .object({
    id,
    schoolClass: id,
    account: id,
    kind: z.enum(['heard', 'undone']),
    pupil: id,
    step: id,
    outcome: z.enum(OUTCOMES).nullable(),
    tune: id.nullable().default(null),
    remarks: z.array(text).max(20),
    tempo: z.int().min(1).max(1000).nullable().default(null),
    faults: z
      .array(
        z.object({ remark: z.string().max(60).optional(), bar: whole, barIndex: whole, eventIndex: whole.optional() }),
      )
      .max(60)
      .nullable()
      .default(null),
    extent: z.object({ bars: span, indices: span, slowly: z.boolean() }).nullable().default(null),
    listened: z
      .object({ recordingId: id.optional(), outcome: z.enum(OUTCOMES).nullable(), remarks: z.array(text).max(20) })
      .nullable()
      .default(null),
    undoes: id.nullable(),
    corrects: id.nullable().default(null),
    reason: text.default(''),
    heardAt: moment,
    deviceAhead: seconds.default(0),
    receivedAt: moment,
  })
  .refine(
    (row) => (row.kind === 'heard') === (row.outcome !== null) && (row.kind === 'undone') === (row.undoes !== null),
    'heard-or-undone',
  );

const term = withDays(
  z.object({
    id,
    name: text,
    startsOn: localDate,
    endsOn: localDate,
    daysOff: z.array(z.object({ from: localDate, to: localDate, reason: text })).max(200),
    rotation: z.object({
      firstWeek: z.enum(['A', 'B']),
      emptyWeeksCount: z.boolean(),
      cycleDays: z.int().min(0).max(20),
    }),
  }),
);

/** What stands before the parts. */
export const HEAD = {
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  exportedAt: moment,
  school: z
    .object({
      name: text,
      timeZone,
      cautions: z.array(caution).max(40).nullable(),
      remarks: z.array(remark).max(20).nullable().default(null),
      noteColours: noteColours.nullable().default(null),
      templates: z.record(z.enum(TEMPLATE_IDS), text).nullable().default(null),
      /** What older archives call the remarks. */
      faults: z.array(remark).max(20).nullish(),
    })
    .transform(({ faults, remarks, ...school }) => ({ ...school, remarks: remarks ?? faults ?? null })),
} as const;

/** One row of each part: everything of a school but passwords, sessions and open links. */
export const ROWS = {
  people: z.object({ id, email: z.email().max(200), name: text, role: z.enum(ROLES), closedAt: moment.nullable() }),
  terms: term,
  tunes: z.object({
    id,
    title: text,
    abc: z.string().max(MOST_ABC_CHARACTERS),
    archived: z.boolean().default(false),
  }),
  staircases: z.object({
    id,
    name: text,
    instrument: z.enum(INSTRUMENT_IDS),
    noteOrder: z.array(z.string().max(6)).max(40).default([]),
  }),
  steps: z.object({
    id,
    staircase: id,
    position: z.int().min(1).max(1000),
    tune: id,
    belt: z.enum(BELTS.map((each) => each.id)),
    lessons: whole,
    toPass: z.int().min(1).max(1000).default(1),
    passRule: z
      .object({
        tempo: z.int().min(1).max(1000).nullable(),
        slips: whole.nullable(),
        lookFor: z.array(z.enum(LOOK_FOR)).max(LOOK_FOR.length),
      })
      .default({ ...ANY_WAY, lookFor: [] }),
  }),
  stepTunes: z.object({
    step: id,
    tune: id,
    position: whole,
    role: z.enum(['choice', 'easier', 'extra']).default('choice'),
  }),
  classes: z.object({
    id,
    term: id,
    staircase: id,
    name: text,
    grade: text,
    meetings: z.array(meeting).max(20),
    style,
    lost: z
      .array(z.object({ date: localDate, reason: text }))
      .max(1000)
      .default([]),
    brings: bringsInput.default(NOTHING_BROUGHT),
  }),
  classTeachers: z.object({ schoolClass: id, account: id }),
  pupils: z.object({
    id,
    schoolClass: id,
    shownName: text,
    startStep: id,
    joinedOn: localDate,
    leftOn: localDate.nullable(),
    handMark: text,
    note: text,
    playsInstead: z.enum(INSTRUMENT_IDS).nullable(),
    mayRecord: z.boolean(),
    erasedAt: moment.nullable(),
    breathSeconds: whole.nullable().default(null),
    printSize: z.enum(PRINT_SIZES).default('medium'),
    easierLine: z.boolean().default(false),
  }),
  moves: z.object({ id, pupil: id, fromClass: id, toClass: id, movedOn: localDate }),
  absences: z.object({ pupil: id, date: localDate }),
  classTunes: z.object({
    schoolClass: id,
    tune: id,
    breathSeconds: whole,
    breaths: z
      .array(z.object({ barIndex: whole, eventIndex: whole }))
      .max(500)
      .nullable(),
    bookPage: text.default(''),
  }),
  classNotes: z.object({ schoolClass: id, note: z.string().max(6), hint: text, bookPage: text }),
  lessons: z
    .object({
      ...{ id, schoolClass: id, account: id, date: localDate, at: moment },
      kind: text,
      content: z.looseObject({}),
    })
    .refine(({ kind, content }) => lessonEventContent.safeParse({ ...content, kind }).success, 'wrong'),
  records: record,
  instruments: z.object({
    id,
    number: whole,
    kind: z.enum(INSTRUMENT_IDS),
    owner: z.enum(OWNERS),
    condition: z.enum(CONDITIONS),
    note: text,
    cleanedAt: moment.nullable(),
  }),
  loans: z.object({ id, instrument: id, pupil: id, lentOn: localDate, returnedOn: localDate.nullable() }),
  beltStock: z.object({
    belt: z.enum(BELTS.map((each) => each.id)),
    way: z.enum(STOCK_WAYS),
    onHand: whole,
    cmEach: whole,
    reservePercent: whole,
  }),
  beltsGiven: z.object({ pupil: id, step: id, account: id, givenAt: moment, taken: whole.default(0) }),
  changes: z.object({ id, account: id, at: moment, about: id.nullable(), words: text }),
} as const;

/** The parts that are lists of rows. */
export type Part = keyof typeof ROWS;
export const PARTS = Object.keys(ROWS) as readonly Part[];

/** An archive as a whole, as tests and small tools hold it. */
export type Archive = { readonly [Name in keyof typeof HEAD]: z.infer<(typeof HEAD)[Name]> } & {
  readonly [Name in Part]: readonly z.infer<(typeof ROWS)[Name]>[];
};

/** Parts that older archives do not have. */
export const NEWER_PARTS: readonly Part[] = ['stepTunes', 'beltsGiven', 'classNotes', 'lessons'];

/** What no two rows of a part have alike. */
export const UNIQUE: Readonly<Record<Part, readonly (readonly string[])[]>> = {
  people: [['id'], ['email']],
  terms: [['id']],
  tunes: [['id'], ['content']],
  staircases: [['id']],
  steps: [['id'], ['staircase', 'position']],
  stepTunes: [['step', 'tune']],
  classes: [['id']],
  classTeachers: [['schoolClass', 'account']],
  pupils: [['id']],
  moves: [['id']],
  absences: [['pupil', 'date']],
  classTunes: [['schoolClass', 'tune']],
  classNotes: [['schoolClass', 'note']],
  lessons: [['id']],
  records: [['id']],
  instruments: [['id'], ['kind', 'number']],
  loans: [['id']],
  beltStock: [['belt']],
  beltsGiven: [['pupil', 'step']],
  changes: [['id']],
};

/** Which part a field of a row points into. */
export const REFERENCES: Readonly<Partial<Record<Part, Readonly<Record<string, Part>>>>> = {
  steps: { staircase: 'staircases', tune: 'tunes' },
  stepTunes: { step: 'steps', tune: 'tunes' },
  classes: { term: 'terms', staircase: 'staircases' },
  classTeachers: { schoolClass: 'classes', account: 'people' },
  pupils: { schoolClass: 'classes', startStep: 'steps' },
  moves: { pupil: 'pupils', fromClass: 'classes', toClass: 'classes' },
  absences: { pupil: 'pupils' },
  classTunes: { schoolClass: 'classes', tune: 'tunes' },
  classNotes: { schoolClass: 'classes' },
  lessons: { schoolClass: 'classes', account: 'people' },
  records: {
    schoolClass: 'classes',
    account: 'people',
    pupil: 'pupils',
    step: 'steps',
    tune: 'tunes',
    undoes: 'records',
    corrects: 'records',
  },
  loans: { instrument: 'instruments', pupil: 'pupils' },
  beltsGiven: { pupil: 'pupils', step: 'steps', account: 'people' },
  changes: { account: 'people' },
};
