import type { Meeting } from '@escalier/core/calendar';
import { LESSON_MODES } from '@escalier/core/calendar';
import { SYNCOPATIONS } from '@escalier/core/music';
import {
  ECHO_SIGHTS,
  FEWEST_RUNGS,
  FIRST_NOTES,
  GO_ON_RULES,
  ladder,
  MOST_ECHO_TURNS,
  MOST_ROWS,
  MOST_RUNGS,
  PART_RULES,
  PASS_RULES,
  REPEAT_WAYS,
  RIGHT_HANDS,
  ROW_FILLS,
  ROW_KINDS,
  RUNG_IDS,
  TONGUES,
  type Teaching,
} from '@escalier/core/practice';
import type { PointsRule } from '@escalier/core/records';
import * as z from 'zod/mini';
import { plainStyle } from './plain-style.ts';
import { different, id, uuid, noteName, type ReadOf, timeOfDay, typed, version } from './fields.ts';

const weekday = z.int().check(z.gte(1), z.lte(7));

/** When a class meets. */
export const meeting = z.object({
  on: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('weekly'), weekday }),
    z.object({ kind: z.literal('alternating'), week: z.enum(['A', 'B']), weekday }),
    z.object({ kind: z.literal('cycle'), day: z.int().check(z.gte(1), z.lte(20)) }),
  ]),
  at: timeOfDay,
  minutes: z.int().check(z.gte(5), z.lte(240)),
  mode: z.enum(LESSON_MODES),
}) satisfies z.ZodMiniType<Meeting>;

const most = z.number().check(z.gte(0), z.lte(1000));

/** What a pass counts towards a mark of the school. */
export const pointsRule = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('none') }),
  z.object({ kind: z.literal('bonus'), perStep: most, most }),
  z.object({ kind: z.literal('share'), outOf: most, steps: z.int().check(z.gte(1), z.lte(100)) }),
]) satisfies z.ZodMiniType<PointsRule>;

export const teaching = z.object({
  rows: different(
    z.array(z.object({ kind: z.enum(ROW_KINDS), fill: z.enum(ROW_FILLS) })).check(z.maxLength(MOST_ROWS)),
    (row) => row.kind,
  ),
  syncopation: z.enum(SYNCOPATIONS),
  restWord: typed(0, 12),
  tongue: z.enum(TONGUES),
  rightHand: z.enum(RIGHT_HANDS),
  repeats: z.enum(REPEAT_WAYS),
  firstNotes: z.enum(FIRST_NOTES),
  echo: z.object({ turns: z.int().check(z.gte(1), z.lte(MOST_ECHO_TURNS)), sight: z.enum(ECHO_SIGHTS) }),
  chunkBeats: z.int().check(z.gte(1), z.lte(32)),
  challenge: z.boolean(),
  parts: z.enum(PART_RULES),
  // Archives of earlier versions do not have the next two.
  goOn: z._default(z.enum(GO_ON_RULES), 'share'),
  ownStep: z._default(z.int().check(z.gte(0), z.lte(100)), 0),
  coloured: z.boolean(),
  fingerings: z
    .record(noteName, z.int().check(z.gte(0), z.lte(20)))
    .check(z.refine((all) => Object.keys(all).length <= 60, 'too-much')),
  book: typed(0, 80),
  bring: typed(0, 200),
}) satisfies z.ZodMiniType<Teaching>;

const someRungs = z.array(z.enum(RUNG_IDS));

/** Of a class that says nothing else. */
export const USUAL_HEARING = { minutes: 10, within: 6, afterPlaying: true };

/** How a class is taught where practitioners differ. */
export const TeachingStyle = z.extend(plainStyle, {
  /** Percent of the class that has to pass a step before the class goes on. */
  goOnShare: z.int().check(z.gte(1), z.lte(100)),
  passRule: z.enum(PASS_RULES),
  /** Rungs of the practice ladder, in their order. */
  ladder: someRungs,
  hearing: z.object({
    /** Of a lesson. */
    minutes: z.int().check(z.gte(1), z.lte(120)),
    /** Lessons in which everybody is heard. */
    within: z.int().check(z.gte(1), z.lte(40)),
    /** Nobody is heard on a step before the class has played its tune through; archives of earlier versions do not say. */
    afterPlaying: z._default(z.boolean(), true),
  }),
  points: pointsRule,
  teaching,
});
export type TeachingStyle = ReadOf<typeof TeachingStyle>;

/** As a teacher sets it: the rungs of the ladder come in their order, and there are enough of them. */
const chosenStyle = z.extend(TeachingStyle, {
  ladder: z
    .pipe(
      someRungs,
      z.transform((chosen) => ladder(chosen).map((rung) => rung.id)),
    )
    .check(
      z.refine((rungs) => rungs.length >= FEWEST_RUNGS && rungs.length <= MOST_RUNGS, {
        message: 'rungs',
        params: { least: FEWEST_RUNGS, most: MOST_RUNGS },
      }),
    ),
});

const names = z.array(z.string().check(z.maxLength(40))).check(z.maxLength(400));

/** What a class knows before its unit: by name, and by tunes that it has played. */
export const Brings = z.object({
  notes: z.array(noteName).check(z.maxLength(60)),
  elements: names,
  signs: names,
  moves: names,
  tuneIds: z.array(uuid).check(z.maxLength(60)),
});
export type Brings = ReadOf<typeof Brings>;

/** Of a class that begins. */
export const NOTHING_BROUGHT = { notes: [], elements: [], signs: [], moves: [], tuneIds: [] };

/** What a teacher sets for a class. */
const classInput = z.object({
  name: typed(1, 60),
  /** Classes of one grade are parallel groups; empty where that says nothing. */
  grade: z._default(typed(0, 40), ''),
  termId: uuid,
  meetings: z.array(meeting).check(z.maxLength(20)),
  style: chosenStyle,
  brings: z._default(Brings, NOTHING_BROUGHT),
});

export const ClassChange = z.extend(classInput, { version });
export type ClassChange = z.output<typeof ClassChange>;

export const NewClass = z.extend(classInput, { staircaseId: uuid });
export type NewClass = z.output<typeof NewClass>;

export const ClassSettings = z.object({
  id,
  name: z.string(),
  grade: z.string(),
  termId: id,
  staircaseId: id,
  meetings: z.array(meeting),
  style: TeachingStyle,
  brings: Brings,
  version,
});
export type ClassSettings = ReadOf<typeof ClassSettings>;

/** Which staircase a class climbs from now on. */
export const classStaircase = z.object({ staircaseId: uuid, version });
export const climbs = z.object({ staircaseId: id });
