import { LESSON_MODES } from '@escalier/core/calendar';
import { NAMINGS } from '@escalier/core/instruments';
import { COUNTINGS, LENGTH_WORDS, parsePitch, SYNCOPATIONS } from '@escalier/core/music';
import {
  ECHO_SIGHTS,
  FEWEST_RUNGS,
  FIRST_NOTES,
  GO_ON_RULES,
  ladder,
  MOST_ECHO_TURNS,
  MOST_ROWS,
  MOST_RUNGS,
  MOUTH_RULES,
  PART_RULES,
  PASS_RULES,
  REPEAT_WAYS,
  REST_PLACES,
  RIGHT_HANDS,
  ROW_FILLS,
  ROW_KINDS,
  RUNG_IDS,
  TONGUES,
} from '@escalier/core/practice';
import { z } from 'zod';
import { text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';

const weekday = z.int().min(1, 'A day of the week.').max(7, 'A day of the week.');

/** When a class meets. */
const meetingInput = z.object({
  on: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('weekly'), weekday }),
    z.object({ kind: z.literal('alternating'), week: z.enum(['A', 'B']), weekday }),
    z.object({ kind: z.literal('cycle'), day: z.int().min(1).max(20) }),
  ]),
  at: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time such as 09:40.'),
  minutes: z.int('Whole minutes.').min(5, 'At least 5 minutes.').max(240, 'At most 240 minutes.'),
  mode: z.enum(LESSON_MODES),
});

const points = z.number('A number of points.').min(0, 'Not less than 0.').max(1000, 'At most 1,000 points.');

/** Written pitch, `F#4`. */
const noteName = z.string().refine((name) => parsePitch(name) !== null, 'A note such as F#4.');
const someText = (most: number) => text().trim().max(most, `At most ${most} letters.`);

export const teachingInput = z.object({
  rows: z
    .array(z.object({ kind: z.enum(ROW_KINDS), fill: z.enum(ROW_FILLS) }))
    .max(MOST_ROWS, `At most ${MOST_ROWS} rows under the notes.`)
    .refine((rows) => new Set(rows.map((row) => row.kind)).size === rows.length, 'Each row once.'),
  syncopation: z.enum(SYNCOPATIONS),
  restWord: someText(12),
  tongue: z.enum(TONGUES),
  rightHand: z.enum(RIGHT_HANDS),
  repeats: z.enum(REPEAT_WAYS),
  firstNotes: z.enum(FIRST_NOTES),
  echo: z.object({
    turns: z.int('A whole number.').min(1, 'Once at least.').max(MOST_ECHO_TURNS, `At most ${MOST_ECHO_TURNS} times.`),
    sight: z.enum(ECHO_SIGHTS),
  }),
  chunkBeats: z.int('Whole beats.').min(1, 'At least 1 beat.').max(32, 'At most 32 beats.'),
  challenge: z.boolean(),
  parts: z.enum(PART_RULES),
  // Archives of earlier versions do not have it.
  goOn: z.enum(GO_ON_RULES).default('share'),
  ownStep: z.int().min(0).max(100).default(0),
  coloured: z.boolean(),
  fingerings: z.record(noteName, z.int().min(0).max(20)).refine((all) => Object.keys(all).length <= 60, 'Too many.'),
  book: someText(80),
  bring: someText(200),
});

/** Of a class that begins. */
export const NOTHING_BROUGHT = { notes: [], elements: [], signs: [], moves: [], tuneIds: [] };

const names = z.array(z.string().max(40)).max(400, 'At most 400.');
export const bringsInput = z.object({
  notes: z.array(noteName).max(60, 'At most 60 notes.'),
  elements: names,
  signs: names,
  moves: names,
  tuneIds: z.array(z.uuid('The id of a tune.')).max(60, 'At most 60 tunes.'),
});

const styleInput = z.object({
  naming: z.enum(NAMINGS),
  counting: z.enum(COUNTINGS).nullable(),
  lengthWords: z.enum(LENGTH_WORDS),
  goOnShare: z.int('A whole number.').min(1, 'At least 1 %.').max(100, 'At most 100 %.'),
  posture: z.object({
    mouth: z.enum(MOUTH_RULES),
    restsAt: z.enum(REST_PLACES),
    handMark: text().trim().min(1, 'Say what marks the left hand.').max(60, 'At most 60 letters.'),
  }),
  passRule: z.enum(PASS_RULES),
  ladder: z
    .array(z.enum(RUNG_IDS))
    .transform((chosen) => ladder(chosen).map((rung) => rung.id))
    .refine(
      (rungs) => rungs.length >= FEWEST_RUNGS && rungs.length <= MOST_RUNGS,
      `A ladder has ${FEWEST_RUNGS} to ${MOST_RUNGS} rungs.`,
    ),
  hearing: z.object({
    minutes: z.int('Whole minutes.').min(1, 'At least 1 minute.').max(120, 'At most 120 minutes.'),
    within: z.int('Whole lessons.').min(1, 'At least 1 lesson.').max(40, 'At most 40 lessons.'),
  }),
  points: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('none') }),
    z.object({ kind: z.literal('bonus'), perStep: points, most: points }),
    z.object({
      kind: z.literal('share'),
      outOf: points,
      steps: z.int('Whole steps.').min(1, 'At least 1 step.').max(100, 'At most 100 steps.'),
    }),
  ]),
  teaching: teachingInput,
});

/** What a teacher sets for a class. */
const classInput = z.object({
  name: text().trim().min(1, 'Give the class a name.').max(60, 'At most 60 letters.'),
  /** Classes of one grade are parallel groups; empty where that says nothing. */
  grade: text().trim().max(40, 'At most 40 letters.').default(''),
  termId: z.uuid('Choose a term.'),
  meetings: z.array(meetingInput).max(20, 'At most 20 lesson times.'),
  style: styleInput,
  /** What the class knows before its unit. */
  brings: bringsInput.default(NOTHING_BROUGHT),
});

export const classChange = classInput.extend({ version });
export type ClassChange = z.infer<typeof classChange>;

export const newClassInput = classInput.extend({ staircaseId: z.uuid('Choose a staircase.') });
export type NewClassInput = z.infer<typeof newClassInput>;
