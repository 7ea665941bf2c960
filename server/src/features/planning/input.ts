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
    context.addIssue({ code: 'custom', message: 'not-note' });
    return z.NEVER;
  });

const stepInput = z
  .object({
    /** Of a step that is there; null for a new one. */
    id: z.uuid().nullable(),
    belt: z.enum(BELTS.map((belt) => belt.id)),
    lessons: z.int().min(1).max(60),
    toPass: z.int().min(1).max(MOST_TUNES),
    passRule: z.object({
      tempo: z.int().min(20).max(300).nullable(),
      slips: z.int().min(0).max(50).nullable(),
      lookFor: z.array(z.enum(LOOK_FOR)).max(LOOK_FOR.length),
    }),
    /** The first one is the main tune. */
    tunes: z
      .array(z.object({ id: z.uuid(), role: z.enum(TUNE_ROLES) }))
      .min(1)
      .max(MOST_TUNES),
  })
  .refine(({ tunes }) => new Set(tunes.map((tune) => tune.id)).size === tunes.length, {
    message: 'twice',
    path: ['tunes'],
  })
  .refine(({ tunes }) => tunes.every((tune, index) => (tune.role === 'main') === (index === 0)), {
    message: 'main-first',
    path: ['tunes'],
  });

const content = {
  name: text().trim().min(1).max(80),
  noteOrder: z
    .array(note)
    .max(40)
    .refine((notes) => new Set(notes).size === notes.length, 'twice'),
  steps: z.array(stepInput).min(1).max(MOST_STEPS),
};

export const newStaircase = z.object({ ...content, instrumentId: z.enum(INSTRUMENT_IDS) });
export type NewStaircase = z.infer<typeof newStaircase>;

export const staircaseChange = z.object({ ...content, version });
export type StaircaseChange = z.infer<typeof staircaseChange>;
export type StepInput = z.infer<typeof stepInput>;

export const classStaircase = z.object({ staircaseId: z.uuid(), version });
