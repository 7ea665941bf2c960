import { LENGTH_WORDS, parsePitch, pitchName } from '@escalier/core/music';
import { LOOK_FOR, TUNE_ROLES, type Rise, type StepPassRule } from '@escalier/core/staircase';
import * as z from 'zod/mini';
import { beltId, instrumentId } from './choices.ts';
import { count, different, id, uuid, named, type ReadOf, typed, version } from './fields.ts';

export const MOST_STEPS = 40;
export const MOST_STEP_LESSONS = 60;
const MOST_TUNES = 12;

const spelledNote = z.pipe(
  z.string().check(z.maxLength(6)),
  z.transform((name: string, context) => {
    const pitch = parsePitch(name);
    if (pitch !== null) return pitchName(pitch);
    context.issues.push({ code: 'custom', message: 'not-note', input: name });
    return z.NEVER;
  }),
);

export const tuneRole = z.enum(TUNE_ROLES);

/** What playing a tune has to be like to pass. */
export const stepPassRule = z.object({
  /** Beats a minute at least; null when any tempo will do. */
  tempo: z.nullable(z.int().check(z.gte(20), z.lte(300))),
  /** Slips at most; null when that is for the teacher to say. */
  slips: z.nullable(z.int().check(z.gte(0), z.lte(50))),
  lookFor: z.array(z.enum(LOOK_FOR)).check(z.maxLength(LOOK_FOR.length)),
}) satisfies z.ZodMiniType<StepPassRule>;

const StepInput = z
  .object({
    /** Of a step that is there; null for a new one. */
    id: z.nullable(uuid),
    belt: beltId,
    lessons: z.int().check(z.gte(1), z.lte(MOST_STEP_LESSONS)),
    /** How many of its tunes have to be passed. */
    toPass: z.int().check(z.gte(1), z.lte(MOST_TUNES)),
    passRule: stepPassRule,
    /** The first one is the main tune. */
    tunes: different(
      z.array(z.object({ id: uuid, role: tuneRole })).check(z.minLength(1), z.maxLength(MOST_TUNES)),
      (tune) => tune.id,
    ),
  })
  .check(
    z.refine(
      ({ tunes }: { tunes: { role: string }[] }) =>
        tunes.every((tune, index) => (tune.role === 'main') === (index === 0)),
      {
        message: 'main-first',
        path: ['tunes'],
      },
    ),
  );
export type StepInput = z.output<typeof StepInput>;

const content = {
  name: typed(1, 80),
  noteOrder: different(z.array(spelledNote).check(z.maxLength(40)), (note) => note),
  steps: z.array(StepInput).check(z.minLength(1), z.maxLength(MOST_STEPS)),
};

export const NewStaircase = z.object({ ...content, instrumentId });
export type NewStaircase = z.output<typeof NewStaircase>;

export const StaircaseChange = z.object({ ...content, version });
export type StaircaseChange = z.output<typeof StaircaseChange>;

/** Among the staircases of a school. */
export const StaircaseChoice = z.object({
  id,
  name: z.string(),
  instrumentId: z.string(),
  steps: count,
  /** Names of the classes that climb it. */
  classes: z.array(z.string()),
});
export type StaircaseChoice = ReadOf<typeof StaircaseChoice>;
export const staircaseList = z.array(StaircaseChoice);

/** A tune of a step. */
export const stepTune = z.object({ id, title: z.string(), role: tuneRole });

const StaircaseStepDto = z.object({
  id,
  belt: z.string(),
  lessons: count,
  toPass: count,
  passRule: stepPassRule,
  /** The main tune first. */
  tunes: z.array(stepTune),
  /** Results of pupils that hang on it. */
  results: count,
  /** Pupils who began, or will begin, at this step. */
  starters: count,
});
export type StaircaseStepDto = ReadOf<typeof StaircaseStepDto>;

/** A staircase as it is changed. */
export const StaircaseDto = z.object({
  id,
  name: z.string(),
  instrumentId: z.string(),
  noteOrder: z.array(z.string()),
  version,
  classes: z.array(z.extend(named, { lengthWords: z.enum(LENGTH_WORDS) })),
  steps: z.array(StaircaseStepDto),
});
export type StaircaseDto = ReadOf<typeof StaircaseDto>;

export const staircaseGone = z.object({ deleted: z.literal(true) });

/** By how much a step is harder than the one before, and what makes it so. */
export const rise = z.object({
  total: z.number(),
  parts: z.array(
    z.object({ of: z.enum(['tune', 'notes', 'moves', 'rhythm', 'signs']), count: z.number(), points: z.number() }),
  ),
}) satisfies z.ZodMiniType<Rise>;
