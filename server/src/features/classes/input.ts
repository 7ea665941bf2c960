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

const weekday = z.int().min(1).max(7);

/** When a class meets. */
const meetingInput = z.object({
  on: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('weekly'), weekday }),
    z.object({ kind: z.literal('alternating'), week: z.enum(['A', 'B']), weekday }),
    z.object({ kind: z.literal('cycle'), day: z.int().min(1).max(20) }),
  ]),
  at: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'not-time'),
  minutes: z.int().min(5).max(240),
  mode: z.enum(LESSON_MODES),
});

const points = z.number().min(0).max(1000);

/** Written pitch, `F#4`. */
const noteName = z.string().refine((name) => parsePitch(name) !== null, 'not-note');
const someText = (most: number) => text().trim().max(most);

export const teachingInput = z.object({
  rows: z
    .array(z.object({ kind: z.enum(ROW_KINDS), fill: z.enum(ROW_FILLS) }))
    .max(MOST_ROWS)
    .refine((rows) => new Set(rows.map((row) => row.kind)).size === rows.length, 'twice'),
  syncopation: z.enum(SYNCOPATIONS),
  restWord: someText(12),
  tongue: z.enum(TONGUES),
  rightHand: z.enum(RIGHT_HANDS),
  repeats: z.enum(REPEAT_WAYS),
  firstNotes: z.enum(FIRST_NOTES),
  echo: z.object({
    turns: z.int().min(1).max(MOST_ECHO_TURNS),
    sight: z.enum(ECHO_SIGHTS),
  }),
  chunkBeats: z.int().min(1).max(32),
  challenge: z.boolean(),
  parts: z.enum(PART_RULES),
  // Archives of earlier versions do not have it.
  goOn: z.enum(GO_ON_RULES).default('share'),
  ownStep: z.int().min(0).max(100).default(0),
  coloured: z.boolean(),
  fingerings: z.record(noteName, z.int().min(0).max(20)).refine((all) => Object.keys(all).length <= 60, 'too-much'),
  book: someText(80),
  bring: someText(200),
});

/** Of a class that begins. */
export const NOTHING_BROUGHT = { notes: [], elements: [], signs: [], moves: [], tuneIds: [] };

const names = z.array(z.string().max(40)).max(400);
export const bringsInput = z.object({
  notes: z.array(noteName).max(60),
  elements: names,
  signs: names,
  moves: names,
  tuneIds: z.array(z.uuid()).max(60),
});

const styleInput = z.object({
  naming: z.enum(NAMINGS),
  counting: z.enum(COUNTINGS).nullable(),
  lengthWords: z.enum(LENGTH_WORDS),
  goOnShare: z.int().min(1).max(100),
  posture: z.object({
    mouth: z.enum(MOUTH_RULES),
    restsAt: z.enum(REST_PLACES),
    handMark: text().trim().min(1).max(60),
  }),
  passRule: z.enum(PASS_RULES),
  ladder: z
    .array(z.enum(RUNG_IDS))
    .transform((chosen) => ladder(chosen).map((rung) => rung.id))
    .refine((rungs) => rungs.length >= FEWEST_RUNGS && rungs.length <= MOST_RUNGS, {
      message: 'rungs',
      params: { least: FEWEST_RUNGS, most: MOST_RUNGS },
    }),
  hearing: z.object({
    minutes: z.int().min(1).max(120),
    within: z.int().min(1).max(40),
  }),
  points: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('none') }),
    z.object({ kind: z.literal('bonus'), perStep: points, most: points }),
    z.object({
      kind: z.literal('share'),
      outOf: points,
      steps: z.int().min(1).max(100),
    }),
  ]),
  teaching: teachingInput,
});

/** What a teacher sets for a class. */
const classInput = z.object({
  name: text().trim().min(1).max(60),
  /** Classes of one grade are parallel groups; empty where that says nothing. */
  grade: text().trim().max(40).default(''),
  termId: z.uuid(),
  meetings: z.array(meetingInput).max(20),
  style: styleInput,
  /** What the class knows before its unit. */
  brings: bringsInput.default(NOTHING_BROUGHT),
});

export const classChange = classInput.extend({ version });
export type ClassChange = z.infer<typeof classChange>;

export const newClassInput = classInput.extend({ staircaseId: z.uuid() });
export type NewClassInput = z.infer<typeof newClassInput>;
