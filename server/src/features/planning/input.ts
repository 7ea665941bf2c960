import { INSTRUMENT_IDS } from '@escalier/core/instruments';
import { parsePitch, pitchName } from '@escalier/core/music';
import { BELTS, LOOK_FOR, TUNE_ROLES } from '@escalier/core/staircase';
import { z } from 'zod';
import { text } from '../../platform/fields.ts';
import { version } from '../../platform/versions.ts';

const MOST_STEPS = 40;
const MOST_TUNES = 12;

const note = z
  .string()
  .max(6)
  .transform((name, context) => {
    const pitch = parsePitch(name);
    if (pitch !== null) return pitchName(pitch);
    context.addIssue({ code: 'custom', message: 'A note such as F#4.' });
    return z.NEVER;
  });

const stepInput = z
  .object({
    /** Of a step that is there; null for a new one. */
    id: z.uuid().nullable(),
    belt: z.enum(BELTS.map((belt) => belt.id)),
    lessons: z.int('Whole lessons.').min(1, 'At least 1 lesson.').max(60, 'At most 60 lessons.'),
    toPass: z.int('A whole number.').min(1, 'At least one tune.').max(MOST_TUNES),
    passRule: z.object({
      tempo: z.int('Whole beats a minute.').min(20, 'From 20.').max(300, 'At most 300.').nullable(),
      slips: z.int('A whole number.').min(0, 'Not less than 0.').max(50, 'At most 50.').nullable(),
      lookFor: z.array(z.enum(LOOK_FOR)).max(LOOK_FOR.length),
    }),
    /** The first one is the main tune. */
    tunes: z
      .array(z.object({ id: z.uuid('Choose a tune.'), role: z.enum(TUNE_ROLES) }))
      .min(1, 'A step needs a tune.')
      .max(MOST_TUNES, `At most ${MOST_TUNES} tunes.`),
  })
  .refine(({ tunes }) => new Set(tunes.map((tune) => tune.id)).size === tunes.length, {
    message: 'A tune stands twice at this step.',
    path: ['tunes'],
  })
  .refine(({ tunes }) => tunes.every((tune, index) => (tune.role === 'main') === (index === 0)), {
    message: 'The first tune is the main one.',
    path: ['tunes'],
  });

const content = {
  name: text().trim().min(1, 'Give the staircase a name.').max(80, 'At most 80 letters.'),
  noteOrder: z
    .array(note)
    .max(40, 'At most 40 notes.')
    .refine((notes) => new Set(notes).size === notes.length, 'A note stands twice in the order.'),
  steps: z.array(stepInput).min(1, 'A staircase needs a step.').max(MOST_STEPS, `At most ${MOST_STEPS} steps.`),
};

export const newStaircase = z.object({ ...content, instrumentId: z.enum(INSTRUMENT_IDS) });
export type NewStaircase = z.infer<typeof newStaircase>;

export const staircaseChange = z.object({ ...content, version });
export type StaircaseChange = z.infer<typeof staircaseChange>;
export type StepInput = z.infer<typeof stepInput>;

export const classStaircase = z.object({ staircaseId: z.uuid('Choose a staircase.'), version });
