import { LESSON_MODES } from '@escalier/core/calendar';
import { NAMINGS } from '@escalier/core/instruments';
import { COUNTINGS, LENGTH_WORDS } from '@escalier/core/music';
import {
  FEWEST_RUNGS,
  ladder,
  MOST_RUNGS,
  MOUTH_RULES,
  PASS_RULES,
  REST_PLACES,
  RUNG_IDS,
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
});

/** What a teacher sets for a class. */
const classInput = z.object({
  name: text().trim().min(1, 'Give the class a name.').max(60, 'At most 60 letters.'),
  /** Classes of one grade are parallel groups; empty where that says nothing. */
  grade: text().trim().max(40, 'At most 40 letters.').default(''),
  termId: z.uuid('Choose a term.'),
  meetings: z.array(meetingInput).max(20, 'At most 20 lesson times.'),
  style: styleInput,
});

export const classChange = classInput.extend({ version });
export type ClassChange = z.infer<typeof classChange>;

export const newClassInput = classInput.extend({ staircaseId: z.uuid('Choose a staircase.') });
export type NewClassInput = z.infer<typeof newClassInput>;
