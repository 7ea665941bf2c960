import type { LocalDate } from '@escalier/core/calendar';
import {
  BLOCK_KINDS,
  BLOCK_WHYS,
  LONGEST_LESSON,
  OTHERS_GROUPS,
  OTHERS_TASKS,
  SHORTEST_LESSON,
  type LessonEvent,
} from '@escalier/core/lesson';
import { VALUE_NAMES } from '@escalier/core/music';
import { RUNG_IDS } from '@escalier/core/practice';
import { QUEUE_REASONS } from '@escalier/core/records';
import * as z from 'zod/mini';
import { localDate, madeId, moment, text, whole } from './fields.ts';

const MOST_BLOCKS = 30;
const MOST_PUPILS = 60;
const MOST_MOVES = 20;

const id = text().check(z.minLength(1), z.maxLength(40));
const word = text().check(z.maxLength(60));
const minutes = z.int().check(z.gte(1), z.lte(LONGEST_LESSON));
const kind = z.enum(BLOCK_KINDS);
const move = z.object({ from: word, to: word });
const rungs = z.array(z.enum(RUNG_IDS)).check(z.maxLength(RUNG_IDS.length));
const weak = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('move'), from: word, to: word }),
  z.object({ kind: z.literal('note'), note: word }),
  z.object({ kind: z.literal('rhythm'), element: word }),
]);

const card = z
  .array(
    z.object({
      kind: z.enum(['note', 'rest']),
      value: z.object({ base: z.enum(VALUE_NAMES), dots: z.int().check(z.gte(0), z.lte(2)), tuplet: z.null() }),
    }),
  )
  .check(z.minLength(1), z.maxLength(32));

/** What is said of each kind of event, beside when and of which lesson. */
function contentWith(pupilId: z.ZodMiniType<string>) {
  const block = z.object({
    id,
    kind,
    minutes,
    least: z.int().check(z.gte(1), z.lte(LONGEST_LESSON)),
    locked: z.boolean(),
    why: z.enum(BLOCK_WHYS),
    notes: z.optional(z.array(word).check(z.maxLength(MOST_MOVES))),
    moves: z.optional(z.array(move).check(z.maxLength(MOST_MOVES))),
    weak: z.optional(weak),
    rungs: z.optional(rungs),
    bars: z.optional(z.tuple([whole, whole])),
    tempi: z.optional(z.array(z.int().check(z.gte(5), z.lte(600))).check(z.maxLength(40))),
    slots: z.optional(
      z.array(z.object({ pupilId, reason: z.enum(QUEUE_REASONS), at: whole })).check(z.maxLength(MOST_PUPILS)),
    ),
    others: z.optional(
      z
        .array(
          z.object({
            group: z.enum(OTHERS_GROUPS),
            pupilIds: z.array(pupilId).check(z.maxLength(MOST_PUPILS)),
            does: z.enum(OTHERS_TASKS),
          }),
        )
        .check(z.maxLength(OTHERS_GROUPS.length)),
    ),
    toClean: z.optional(whole),
    beltsToHand: z.optional(whole),
    seed: z.optional(z.int().check(z.gte(0), z.lte(2 ** 31))),
  });

  const plan = z
    .object({
      minutes: z.int().check(z.gte(SHORTEST_LESSON), z.lte(LONGEST_LESSON)),
      blocks: z.array(block).check(z.minLength(1), z.maxLength(MOST_BLOCKS)),
      left: z.array(kind).check(z.maxLength(BLOCK_KINDS.length)),
    })
    .check(
      z.refine((read) => new Set(read.blocks.map((block) => block.id)).size === read.blocks.length, 'twice'),
      z.refine((read) => read.blocks.reduce((sum, block) => sum + block.minutes, 0) === read.minutes, 'minutes-apart'),
    );

  return z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('planned'), plan }),
    z.object({
      kind: z.literal('usual'),
      usual: z.nullable(z.array(z.object({ kind, minutes })).check(z.maxLength(MOST_BLOCKS))),
    }),
    z.object({ kind: z.literal('patterns'), patterns: z.array(card).check(z.maxLength(60)) }),
    z.object({ kind: z.literal('started'), plan, step: z.nullable(z.int().check(z.gte(1), z.lte(1000))) }),
    z.object({ kind: z.literal('block'), block: id }),
    z.object({ kind: z.literal('skipped'), block: id }),
    z.object({ kind: z.literal('rung'), rung: z.enum(RUNG_IDS) }),
    z.object({ kind: z.literal('again') }),
    z.object({
      kind: z.literal('remark'),
      text: text().check(z.trim(), z.minLength(1), z.maxLength(300)),
    }),
    z.object({ kind: z.literal('ready'), pupilId, ready: z.boolean() }),
    z.object({ kind: z.literal('scene'), scene: z.nullable(id) }),
    z.object({ kind: z.literal('play'), on: z.boolean(), tempo: z.int().check(z.gte(5), z.lte(600)) }),
    z.object({ kind: z.literal('reached'), block: id, reached: z.boolean() }),
    z.object({ kind: z.literal('ended') }),
    z.object({ kind: z.literal('reopened') }),
  ]);
}

export const lessonEventContent = contentWith(z.uuid());

export const MOST_EVENTS = 200;
/** A lesson with more is no lesson. */
export const MOST_OF_LESSON = 2000;

export const LessonEventsInput = z.object({
  events: z
    .array(
      z.intersection(
        z.object({
          id: madeId,
          date: localDate,
          at: moment,
        }),
        lessonEventContent,
      ),
    )
    .check(
      z.minLength(1),
      z.maxLength(MOST_EVENTS),
      z.refine((events) => new Set(events.map((event) => event.id)).size === events.length, 'twice'),
    ),
});
export type LessonEventsInput = z.output<typeof LessonEventsInput>;

/** What happened in a lesson of a class. */
export interface DatedLessonEvent {
  readonly date: LocalDate;
  readonly event: LessonEvent;
}

export const datedLessonEvent = z.object({
  date: localDate,
  event: z.intersection(z.object({ id: z.string(), at: z.string() }), contentWith(z.string())),
}) satisfies z.ZodMiniType<DatedLessonEvent>;
export const datedLessonEvents: z.ZodMiniType<readonly DatedLessonEvent[]> = z.array(datedLessonEvent);
export const keptEvents = z.object({ kept: z.int() });
