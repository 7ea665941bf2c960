import {
  BLOCK_KINDS,
  BLOCK_WHYS,
  LONGEST_LESSON,
  OTHERS_GROUPS,
  OTHERS_TASKS,
  SHORTEST_LESSON,
} from '@escalier/core/lesson';
import { VALUE_NAMES } from '@escalier/core/music';
import { RUNG_IDS } from '@escalier/core/practice';
import { QUEUE_REASONS } from '@escalier/core/records';
import { z } from 'zod';
import { localDate, moment, text, whole } from '../../platform/fields.ts';

const MOST_BLOCKS = 30;
const MOST_PUPILS = 60;
const MOST_MOVES = 20;

const id = text().min(1).max(40);
const word = text().max(60);
const minutes = z.int().min(1).max(LONGEST_LESSON);
const kind = z.enum(BLOCK_KINDS);
const move = z.object({ from: word, to: word });
const rungs = z.array(z.enum(RUNG_IDS)).max(RUNG_IDS.length);
const pupilId = z.uuid();
const weak = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('move'), from: word, to: word }),
  z.object({ kind: z.literal('note'), note: word }),
  z.object({ kind: z.literal('rhythm'), element: word }),
]);

const block = z.object({
  id,
  kind,
  minutes,
  least: z.int().min(1).max(LONGEST_LESSON),
  locked: z.boolean(),
  why: z.enum(BLOCK_WHYS),
  notes: z.array(word).max(MOST_MOVES).optional(),
  moves: z.array(move).max(MOST_MOVES).optional(),
  weak: weak.optional(),
  rungs: rungs.optional(),
  bars: z.tuple([whole, whole]).optional(),
  tempi: z.array(z.int().min(5).max(600)).max(40).optional(),
  slots: z
    .array(z.object({ pupilId, reason: z.enum(QUEUE_REASONS), at: whole }))
    .max(MOST_PUPILS)
    .optional(),
  others: z
    .array(
      z.object({
        group: z.enum(OTHERS_GROUPS),
        pupilIds: z.array(pupilId).max(MOST_PUPILS),
        does: z.enum(OTHERS_TASKS),
      }),
    )
    .max(OTHERS_GROUPS.length)
    .optional(),
  toClean: whole.optional(),
  beltsToHand: whole.optional(),
  seed: z
    .int()
    .min(0)
    .max(2 ** 31)
    .optional(),
});

const plan = z
  .object({
    minutes: z.int().min(SHORTEST_LESSON).max(LONGEST_LESSON),
    blocks: z.array(block).min(1).max(MOST_BLOCKS),
    left: z.array(kind).max(BLOCK_KINDS.length),
  })
  .refine((read) => new Set(read.blocks.map((each) => each.id)).size === read.blocks.length, 'twice')
  .refine((read) => read.blocks.reduce((sum, each) => sum + each.minutes, 0) === read.minutes, 'minutes-apart');

const card = z
  .array(
    z.object({
      kind: z.enum(['note', 'rest']),
      value: z.object({ base: z.enum(VALUE_NAMES), dots: z.int().min(0).max(2), tuplet: z.null() }),
    }),
  )
  .min(1)
  .max(32);

/** What is said of each kind of event, beside when and of which lesson. */
const CONTENT = [
  z.object({ kind: z.literal('planned'), plan }),
  z.object({
    kind: z.literal('usual'),
    usual: z.array(z.object({ kind, minutes })).max(MOST_BLOCKS).nullable(),
  }),
  z.object({ kind: z.literal('patterns'), patterns: z.array(card).max(60) }),
  z.object({ kind: z.literal('started'), plan, step: z.int().min(1).max(1000).nullable() }),
  z.object({ kind: z.literal('block'), block: id }),
  z.object({ kind: z.literal('skipped'), block: id }),
  z.object({ kind: z.literal('rung'), rung: z.enum(RUNG_IDS) }),
  z.object({ kind: z.literal('again') }),
  z.object({
    kind: z.literal('remark'),
    text: text().trim().min(1).max(300),
  }),
  z.object({ kind: z.literal('ready'), pupilId, ready: z.boolean() }),
  z.object({ kind: z.literal('scene'), scene: id.nullable() }),
  z.object({ kind: z.literal('play'), on: z.boolean(), tempo: z.int().min(5).max(600) }),
  z.object({ kind: z.literal('ended') }),
] as const;

export const lessonEventContent = z.discriminatedUnion('kind', CONTENT);

export const MOST_EVENTS = 200;
/** A lesson with more is no lesson. */
export const MOST_OF_LESSON = 2000;

export const lessonEventsInput = z.object({
  events: z
    .array(
      z
        .object({
          id: z.uuidv7(),
          date: localDate,
          at: moment,
        })
        .and(lessonEventContent),
    )
    .min(1)
    .max(MOST_EVENTS)
    .refine((events) => new Set(events.map((each) => each.id)).size === events.length, 'twice'),
});
