import { LESSON_MODES } from '@escalier/core/calendar';
import { NAMINGS, INSTRUMENT_IDS } from '@escalier/core/instruments';
import { COUNTINGS, LENGTH_WORDS } from '@escalier/core/music';
import { CAUTION_PLACES, MOUTH_RULES, PASS_RULES, REST_PLACES, RUNG_IDS } from '@escalier/core/practice';
import { OUTCOMES } from '@escalier/core/records';
import { BELTS } from '@escalier/core/staircase';
import { z } from 'zod';
import { ROLES } from '../../platform/context.ts';
import { CONDITIONS, OWNERS, STOCK_WAYS } from '../instruments/index.ts';

/** docs/ARCHIVE.md says what each part is. A new version is read beside the old ones, never instead of them. */
export const ARCHIVE_FORMAT = 'escalier-school';
export const ARCHIVE_VERSION = 1;

const id = z.uuid();
const text = z.string().max(5000);
const date = z.iso.date();
const moment = z.iso.datetime();
const whole = z.int().min(0).max(1_000_000);
const weekday = z.int().min(1).max(7);

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
  ladder: z.array(z.enum(RUNG_IDS)),
  hearing: z.object({ minutes: whole, within: whole }).default({ minutes: 10, within: 6 }),
  points: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.literal('none') }),
      z.object({ kind: z.literal('bonus'), perStep: z.number(), most: z.number() }),
      z.object({ kind: z.literal('share'), outOf: z.number(), steps: whole }),
    ])
    .default({ kind: 'none' }),
});

const caution = z.object({ id: text, text, places: z.array(z.enum(CAUTION_PLACES)), shown: z.boolean() });

const fault = z.object({ id: text, words: text, remedy: text });

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
    remarks: z.array(text),
    tempo: z.int().nullable().default(null),
    undoes: id.nullable(),
    corrects: id.nullable().default(null),
    reason: text.default(''),
    heardAt: moment,
    deviceAhead: z.int().default(0),
    receivedAt: moment,
  })
  .refine(
    (row) => (row.kind === 'heard') === (row.outcome !== null) && (row.kind === 'undone') === (row.undoes !== null),
    'A record that was heard has an outcome, one that undoes names the other.',
  );

/** Everything of a school but passwords, sessions and open links. */
export const archiveSchema = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  exportedAt: moment,
  school: z.object({
    name: text,
    timeZone: text,
    cautions: z.array(caution).nullable(),
    faults: z.array(fault).nullable().default(null),
  }),
  people: z.array(z.object({ id, email: z.email(), name: text, role: z.enum(ROLES), closedAt: moment.nullable() })),
  terms: z.array(
    z.object({
      id,
      name: text,
      startsOn: date,
      endsOn: date,
      daysOff: z.array(z.object({ from: date, to: date, reason: text })),
      rotation: z.object({ firstWeek: z.enum(['A', 'B']), emptyWeeksCount: z.boolean(), cycleDays: whole }),
    }),
  ),
  tunes: z.array(z.object({ id, title: text, abc: z.string().max(100_000) })),
  staircases: z.array(z.object({ id, name: text, instrument: z.enum(INSTRUMENT_IDS) })),
  steps: z.array(
    z.object({
      id,
      staircase: id,
      position: z.int().min(1),
      tune: id,
      belt: z.enum(BELTS.map((each) => each.id)),
      lessons: whole,
      toPass: z.int().min(1).default(1),
    }),
  ),
  stepTunes: z.array(z.object({ step: id, tune: id, position: whole })).default([]),
  classes: z.array(
    z.object({ id, term: id, staircase: id, name: text, grade: text, meetings: z.array(meeting), style }),
  ),
  classTeachers: z.array(z.object({ schoolClass: id, account: id })),
  pupils: z.array(
    z.object({
      id,
      schoolClass: id,
      shownName: text,
      startStep: id,
      joinedOn: date,
      leftOn: date.nullable(),
      handMark: text,
      note: text,
      playsInstead: z.enum(INSTRUMENT_IDS).nullable(),
      mayRecord: z.boolean(),
      erasedAt: moment.nullable(),
    }),
  ),
  moves: z.array(z.object({ id, pupil: id, fromClass: id, toClass: id, movedOn: date })),
  absences: z.array(z.object({ pupil: id, date })),
  classTunes: z.array(
    z.object({
      schoolClass: id,
      tune: id,
      breathSeconds: whole,
      breaths: z.array(z.object({ barIndex: whole, eventIndex: whole })).nullable(),
    }),
  ),
  records: z.array(record),
  instruments: z.array(
    z.object({
      id,
      number: whole,
      kind: z.enum(INSTRUMENT_IDS),
      owner: z.enum(OWNERS),
      condition: z.enum(CONDITIONS),
      note: text,
      cleanedAt: moment.nullable(),
    }),
  ),
  loans: z.array(z.object({ id, instrument: id, pupil: id, lentOn: date, returnedOn: date.nullable() })),
  beltStock: z.array(
    z.object({ belt: text, way: z.enum(STOCK_WAYS), onHand: whole, cmEach: whole, reservePercent: whole }),
  ),
  beltsGiven: z.array(z.object({ pupil: id, step: id, account: id, givenAt: moment })).default([]),
  changes: z.array(z.object({ id, account: id, at: moment, about: id.nullable(), words: text })),
});

export type Archive = z.infer<typeof archiveSchema>;
/** The parts that are lists of rows. */
export type Part = Exclude<keyof Archive, 'format' | 'version' | 'exportedAt' | 'school'>;

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

/** The first row that points to nothing, in a sentence; null when all is there. */
export function danglingReference(archive: Archive): string | null {
  for (const [part, fields] of Object.entries(REFERENCES) as [Part, Record<string, Part>][]) {
    for (const [field, target] of Object.entries(fields)) {
      const known = new Set((archive[target] as readonly { id: string }[]).map((row) => row.id));
      const rows = archive[part] as readonly Record<string, unknown>[];
      const at = rows.findIndex((row) => typeof row[field] === 'string' && !known.has(row[field]));
      if (at >= 0) return `${part}, row ${at + 1}: its ${field} is not among the ${target} of the archive.`;
    }
  }
  return null;
}
