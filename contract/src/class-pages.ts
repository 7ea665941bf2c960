import { PRINT_SIZES } from '@escalier/core/handouts';
import type { HardMove, TroubleSpot } from '@escalier/core/records';
import * as z from 'zod/mini';
import { TeachingStyle } from './classes.ts';
import { count, countInAddress, id, uuid, localDate, named, type ReadOf, typed, version } from './fields.ts';
import { knownNames } from './knowledge.ts';
import { rise, stepPassRule, stepTune } from './staircases.ts';
import { lesson } from './terms.ts';

const texts = z.array(z.string());

/** What every page about a class needs of it. */
export const ClassFacts = z.object({
  id,
  staircaseId: id,
  name: z.string(),
  grade: z.string(),
  instrumentId: z.string(),
  style: TeachingStyle,
});
export type ClassFacts = ReadOf<typeof ClassFacts>;

/** What a class knows now, for reading the whole library. */
export const ClassKnowledge = z.object({ schoolClass: ClassFacts, known: knownNames });
export type ClassKnowledge = ReadOf<typeof ClassKnowledge>;

const LessonsDto = z.object({
  total: count,
  had: count,
  left: count,
  next: z.nullable(lesson),
  /** Meetings of the term that fall on days off. */
  lost: count,
});
export type LessonsDto = ReadOf<typeof LessonsDto>;

/** A class among those of the asker. */
export const ClassSummary = z.extend(ClassFacts, {
  pupils: count,
  lessons: LessonsDto,
  /** For each step: its belt, and how many pupils work on it; the last number counts those who have passed all. */
  belts: texts,
  onStep: z.array(count),
  nearly: count,
  stuck: count,
  /** Whom to hear first; null when nobody waits. */
  hearFirst: z.nullable(named),
  /** Index of the step that the class works on. */
  classStep: count,
  /** Who has waited longest to be heard, when that is more than a lesson. */
  waits: z.nullable(z.extend(named, { lessons: count })),
});
export type ClassSummary = ReadOf<typeof ClassSummary>;
export const classList = z.array(ClassSummary);

const hardMove = z.object({ from: z.string(), to: z.string(), cost: z.number() }) satisfies z.ZodMiniType<HardMove>;

export const StepDto = z.object({
  id,
  position: z.int().check(z.gte(1)),
  belt: z.string(),
  lessons: count,
  tuneId: id,
  title: z.string(),
  /** All tunes of the step, the first one first. */
  tunes: z.array(
    z.extend(stepTune, {
      /** On its sheet. */
      bars: count,
    }),
  ),
  /** How many of them have to be passed. */
  toPass: count,
  passRule: stepPassRule,
  /** One playing of the first tune at its tempo, in seconds. */
  tuneSeconds: z.number(),
  /** Beats a minute of the first tune. */
  tempo: z.number(),
  hardMoves: z.array(hardMove),
  rise,
  /** Written pitches new at this step, `F#4`. */
  newNotes: texts,
  newElements: texts,
  newSigns: texts,
});
export type StepDto = ReadOf<typeof StepDto>;

/** A pupil as the pages of a class need one. */
export const PupilDto = z.object({
  id,
  name: z.string(),
  startStep: z.int().check(z.gte(1)),
  joinedOn: localDate,
  leftOn: z.nullable(localDate),
  /** Another instrument than the class's; null for the same. */
  playsInstead: z.nullable(z.string()),
  /** The most seconds that one breath carries; null for those of the class. */
  breathSeconds: z.nullable(count),
  /** How large sheets are printed. */
  printSize: z.enum(PRINT_SIZES),
  /** Plays the easier line of a tune that has one. */
  easierLine: z.boolean(),
  /** The personal data is gone for good: devices keep no free words about this pupil either. */
  erased: z.boolean(),
  /** Noted as away today: heard another day. */
  away: z.boolean(),
  /** How many records the school has of this pupil. */
  records: count,
});
export type PupilDto = ReadOf<typeof PupilDto>;

/** The facts of a class on a day; what they and its records come to is worked out by core/classes, here as on devices. */
export const ClassPage = z.extend(ClassFacts, {
  today: localDate,
  term: z.object({ name: z.string(), startsOn: localDate, endsOn: localDate }),
  lessons: z.extend(LessonsDto, { all: z.array(lesson) }),
  steps: z.array(StepDto),
  pupils: z.array(PupilDto),
  /** By the school's clock. */
  timeZone: z.string(),
});
export type ClassPage = ReadOf<typeof ClassPage>;

/** After an event of the first part: indices into the tune's bars and into the bar's events. */
export const BreathPlace = z.object({ barIndex: count, eventIndex: count });
export type BreathPlace = ReadOf<typeof BreathPlace>;

const troubleSpot = z.object({
  bar: z.int(),
  barIndex: count,
  pupils: count,
  of: count,
  remarks: texts,
}) satisfies z.ZodMiniType<TroubleSpot>;

/** A tune as one class meets it. */
export const TunePage = z.object({
  schoolClass: ClassFacts,
  tuneId: id,
  title: z.string(),
  abc: z.string(),
  /** What the class knows before this tune. */
  known: knownNames,
  breathSeconds: count,
  /** Null for what Escalier proposes. */
  breaths: z.nullable(z.array(BreathPlace)),
  /** Of the breaths; 0 as long as the class has changed nothing. */
  breathsVersion: version,
  /** Where the tune stands in the class's own book; empty when it does not. */
  bookPage: z.string(),
  /** Where pupils of the class stopped in it, most first. */
  troubles: z.array(troubleSpot),
});
export type TunePage = ReadOf<typeof TunePage>;

export const StepPage = z.extend(TunePage, { step: StepDto, steps: count });
export type StepPage = ReadOf<typeof StepPage>;

export const stepParams = z.object({ id: uuid, position: countInAddress(1, 1000) });
export const tuneParams = z.object({ id: uuid, tuneId: uuid });

/** What a class changes about a tune. */
export const ClassTuneInput = z.object({
  breathSeconds: z.int().check(z.gte(2), z.lte(20)),
  breaths: z.nullable(z.array(BreathPlace).check(z.maxLength(500))),
  /** Where it stands in the class's own book. */
  bookPage: z._default(typed(0, 40), ''),
  /** 0 as long as the class has changed nothing. */
  version,
});
export type ClassTuneInput = z.output<typeof ClassTuneInput>;
export const classTuneKept = z.object({ version });

/** What a class has changed for itself in a tune. */
const ClassTune = z.object({ tuneId: id, breathSeconds: count, breaths: z.nullable(z.array(BreathPlace)) });
export type ClassTune = ReadOf<typeof ClassTune>;
export const classTuneList = z.array(ClassTune);

/** Whom and what the palette finds. */
export const Findable = z.object({
  classes: z.array(named),
  pupils: z.array(z.extend(named, { classId: id })),
  tunes: z.array(z.object({ id, title: z.string() })),
});
export type Findable = ReadOf<typeof Findable>;
