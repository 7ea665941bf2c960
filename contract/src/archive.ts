import { PRINT_SIZES, TEMPLATE_IDS } from '@escalier/core/handouts';
import { MOST_ABC_CHARACTERS } from '@escalier/core/formats';
import { CONDITIONS, OWNERS, STOCK_WAYS } from '@escalier/core/instruments';
import { LETTERS } from '@escalier/core/music';
import { USUAL_ENGLISH } from '@escalier/messages';
import { CAUTION_PLACES, USUAL_TEACHING } from '@escalier/core/practice';
import { OUTCOMES } from '@escalier/core/records';
import { ANY_WAY } from '@escalier/core/staircase';
import * as z from 'zod/mini';
import { ChangeFact } from './changes.ts';
import { Brings, meeting, NOTHING_BROUGHT, pointsRule, TeachingStyle, teaching, USUAL_HEARING } from './classes.ts';
import { beltId, instrumentId } from './choices.ts';
import { english } from './english.ts';
import { count, email, localDate, moment, timeZone, uuid as id, whole } from './fields.ts';
import { lessonEventContent } from './lessons.ts';
import { role } from './people.ts';
import { HeardDetails } from './results.ts';
import { stepPassRule } from './staircases.ts';
import { rotation, withDays } from './terms.ts';

/** docs/reference/archive.md says what each part is. A new version is read beside the old ones, never instead of them. */
export const ARCHIVE_FORMAT = 'escalier-school';
export const ARCHIVE_VERSION = 1;

const MOST_LETTERS = 5000;
/** What the database can hold: earlier versions let more into a name than the forms of today do. */
const text = z.string().check(
  z.maxLength(MOST_LETTERS),
  z.refine((value) => value.isWellFormed() && !value.includes('\u0000'), 'not-storable'),
);
const seconds = z.int().check(z.gte(-2_147_483_647), z.lte(2_147_483_647));

/** What the forms of earlier versions did not ask stands as the usual. */
const style = z.extend(TeachingStyle, {
  posture: z.extend(TeachingStyle.shape.posture, { handMark: text }),
  hearing: z._default(TeachingStyle.shape.hearing, USUAL_HEARING),
  points: z._default(pointsRule, { kind: 'none' }),
  teaching: z._default(teaching, { ...USUAL_TEACHING, rows: [] }),
});

const caution = z.object({ id: text, text, places: z.array(z.enum(CAUTION_PLACES)), shown: z.boolean() });

const remark = z.object({ id: text, words: text, remedy: text });

const noteColours = z.record(z.enum(LETTERS), z.string().check(z.regex(/^#[0-9a-f]{6}$/)));

/** Older archives have the details of a hearing beside each other, with null for what was not said. */
function withDetails(row: unknown): unknown {
  if (typeof row !== 'object' || row === null || 'details' in row) return row;
  const { tempo, faults, extent, listened, ...rest } = row as Readonly<Record<string, unknown>>;
  const said = Object.entries({ tempo, faults, extent, listened }).filter(([, detail]) => (detail ?? null) !== null);
  return { ...rest, details: Object.fromEntries(said) };
}

const record = z
  .object({
    id,
    schoolClass: id,
    account: id,
    kind: z.enum(['heard', 'undone']),
    pupil: id,
    step: id,
    outcome: z.nullable(z.enum(OUTCOMES)),
    tune: z._default(z.nullable(id), null),
    remarks: z.array(text).check(z.maxLength(20)),
    details: HeardDetails,
    undoes: z.nullable(id),
    corrects: z._default(z.nullable(id), null),
    reason: z._default(text, ''),
    heardAt: moment,
    deviceAhead: z._default(seconds, 0),
    receivedAt: moment,
  })
  .check(
    z.refine(
      (row) => (row.kind === 'heard') === (row.outcome !== null) && (row.kind === 'undone') === (row.undoes !== null),
      'heard-or-undone',
    ),
  );

const term = withDays(
  z.object({
    id,
    name: text,
    startsOn: localDate,
    endsOn: localDate,
    daysOff: z.array(z.object({ from: localDate, to: localDate, reason: text })).check(z.maxLength(200)),
    rotation,
  }),
);

/** What stands before the parts. */
export const HEAD = {
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  exportedAt: moment,
  school: z.pipe(
    z.object({
      name: text,
      timeZone,
      english: z._default(english, USUAL_ENGLISH),
      cautions: z.nullable(z.array(caution).check(z.maxLength(40))),
      remarks: z._default(z.nullable(z.array(remark).check(z.maxLength(20))), null),
      noteColours: z._default(z.nullable(noteColours), null),
      templates: z._default(z.nullable(z.record(z.enum(TEMPLATE_IDS), text)), null),
      /** What older archives call the remarks. */
      faults: z.nullish(z.array(remark).check(z.maxLength(20))),
    }),
    z.transform(({ faults, remarks, ...school }) => ({ ...school, remarks: remarks ?? faults ?? null })),
  ),
} as const;

/** One row of each part: everything of a school but passwords, sessions and open links. */
export const ROWS = {
  people: z.object({ id, email, name: text, role, closedAt: z.nullable(moment) }),
  terms: term,
  tunes: z.object({
    id,
    title: text,
    abc: z.string().check(z.maxLength(MOST_ABC_CHARACTERS)),
    archived: z._default(z.boolean(), false),
  }),
  staircases: z.object({
    id,
    name: text,
    instrument: instrumentId,
    noteOrder: z._default(z.array(z.string().check(z.maxLength(6))).check(z.maxLength(40)), []),
  }),
  steps: z.object({
    id,
    staircase: id,
    position: z.int().check(z.gte(1), z.lte(1000)),
    tune: id,
    belt: beltId,
    lessons: whole,
    toPass: z._default(z.int().check(z.gte(1), z.lte(1000)), 1),
    passRule: z._default(stepPassRule, { ...ANY_WAY, lookFor: [] }),
  }),
  stepTunes: z.object({
    step: id,
    tune: id,
    position: whole,
    role: z._default(z.enum(['choice', 'easier', 'extra']), 'choice'),
  }),
  classes: z.object({
    id,
    term: id,
    staircase: id,
    name: text,
    grade: text,
    meetings: z.array(meeting).check(z.maxLength(20)),
    style,
    lost: z._default(z.array(z.object({ date: localDate, reason: text })).check(z.maxLength(1000)), []),
    brings: z._default(Brings, NOTHING_BROUGHT),
  }),
  classTeachers: z.object({ schoolClass: id, account: id }),
  pupils: z.object({
    id,
    schoolClass: id,
    shownName: text,
    startStep: id,
    joinedOn: localDate,
    leftOn: z.nullable(localDate),
    handMark: text,
    note: text,
    playsInstead: z.nullable(instrumentId),
    mayRecord: z.boolean(),
    erasedAt: z.nullable(moment),
    breathSeconds: z._default(z.nullable(whole), null),
    printSize: z._default(z.enum(PRINT_SIZES), 'medium'),
    easierLine: z._default(z.boolean(), false),
  }),
  moves: z.object({ id, pupil: id, fromClass: id, toClass: id, movedOn: localDate }),
  absences: z.object({ pupil: id, date: localDate }),
  classTunes: z.object({
    schoolClass: id,
    tune: id,
    breathSeconds: whole,
    breaths: z.nullable(z.array(z.object({ barIndex: whole, eventIndex: whole })).check(z.maxLength(500))),
    bookPage: z._default(text, ''),
  }),
  classNotes: z.object({ schoolClass: id, note: z.string().check(z.maxLength(6)), hint: text, bookPage: text }),
  lessons: z
    .object({
      id,
      schoolClass: id,
      account: id,
      date: localDate,
      at: moment,
      kind: text,
      content: z.looseObject({}),
    })
    .check(z.refine(({ kind, content }) => lessonEventContent.safeParse({ ...content, kind }).success, 'wrong')),
  records: z.pipe(z.transform(withDetails), record),
  instruments: z.object({
    id,
    number: whole,
    kind: instrumentId,
    owner: z.enum(OWNERS),
    condition: z.enum(CONDITIONS),
    note: text,
    cleanedAt: z.nullable(moment),
  }),
  loans: z.object({ id, instrument: id, pupil: id, lentOn: localDate, returnedOn: z.nullable(localDate) }),
  beltStock: z.object({
    belt: beltId,
    way: z.enum(STOCK_WAYS),
    onHand: whole,
    cmEach: whole,
    reservePercent: whole,
  }),
  beltsGiven: z.object({ pupil: id, step: id, account: id, givenAt: moment, taken: z._default(whole, 0) }),
  changes: z.pipe(
    z.object({
      id,
      account: id,
      at: moment,
      about: z.nullable(id),
      what: z.optional(ChangeFact),
      /** What older archives have instead: the sentence. */
      words: z.optional(text),
    }),
    z.transform(({ words, what, ...line }) => ({
      ...line,
      what: what ?? ({ code: 'in-words', words: words ?? '' } as const),
    })),
  ),
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

/** How much came in. */
export const imported = z.object({ classes: count, pupils: count, records: count });
export type Imported = z.output<typeof imported>;
