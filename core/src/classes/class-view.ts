import type { GoOnRuleKind, PartRule } from '../practice/index.ts';
import { countsForPassing, type TuneRole } from '../staircase/index.ts';
import { dayIn, USUAL_PAUSE, type LocalDate } from '../calendar/index.ts';
import {
  classStep,
  goOnFrom,
  hearingQueue,
  lessonsWithout,
  standings,
  stuckPupils,
  type GoOn,
  type GoOnSetting,
  type HearingPace,
  type QueuePlace,
  type RecordEvent,
  type Standing,
  type StepRule,
  type Stuck,
} from '../records/index.ts';

export interface PupilOnDay {
  readonly id: string;
  /** Counted from 1: the steps below count as passed. */
  readonly startStep: number;
  readonly joinedOn: LocalDate;
  /** Null for those who are in the class. */
  readonly leftOn: LocalDate | null;
  /** Noted as away today. */
  readonly away: boolean;
}

export interface StepOnDay {
  readonly id: string;
  /** All its tunes, the first one first, with how many bars the sheet of each has. */
  readonly tunes: readonly { readonly id: string; readonly role: TuneRole; readonly bars: number }[];
  /** How many of them have to be passed. */
  readonly toPass: number;
  /** One playing of the first tune at its tempo, in seconds. */
  readonly tuneSeconds: number;
}

/** A class on a day: the facts by which, with its records, all that its page shows is worked out. */
export interface ClassOnDay {
  readonly pupils: readonly PupilOnDay[];
  readonly steps: readonly StepOnDay[];
  readonly style: {
    /** Percent that has to pass a step before the class goes on. */
    readonly goOnShare: number;
    /** Minutes of a lesson that are given to hearing, and within how many lessons everybody is heard. */
    readonly hearing: { readonly minutes: number; readonly within: number };
    readonly teaching: { readonly parts: PartRule; readonly goOn: GoOnRuleKind; readonly ownStep: number };
  };
  readonly lessons: { readonly all: readonly { readonly date: LocalDate }[] };
  readonly today: LocalDate;
  /** The school's, by its IANA name. */
  readonly timeZone: string;
}

/** What follows for a class from where its pupils stand. */
export interface ClassState {
  readonly pace: HearingPace;
  /** Index of the step that the class works on. */
  readonly classStep: number;
  /** Who is here today, whom to hear first at the front. */
  readonly queue: readonly QueuePlace[];
  readonly stuck: readonly Stuck[];
}

/** A class as its page shows it: the facts, and what they and the records come to. */
export type ClassView<Facts extends ClassOnDay> = Omit<Facts, 'pupils' | 'steps'> &
  ClassState & {
    /** Standings are null for pupils who have left. */
    readonly pupils: readonly (Facts['pupils'][number] & { readonly standing: Standing | null })[];
    readonly steps: readonly (Facts['steps'][number] & { readonly goOn: GoOn })[];
  };

/**
 * All that a class's page shows, the same on the server, on every device and in the overview of a school.
 * @param standingOf where a pupil stands by the rules of the steps: worked out from the records, or kept from before.
 */
export function classView<Facts extends ClassOnDay>(
  facts: Facts,
  standingOf: (pupil: PupilOnDay, rules: readonly StepRule[]) => Standing,
): ClassView<Facts> {
  const rules = stepRules(facts.steps, facts.style.teaching.parts);
  const pupils = facts.pupils.map((pupil) => ({
    ...pupil,
    standing: pupil.leftOn === null ? standingOf(pupil, rules) : null,
  }));
  const all = pupils.flatMap((pupil) => pupil.standing ?? []);
  const steps = facts.steps.map((step, index) => ({ ...step, goOn: goOnFrom(all, index, facts.style.goOnShare) }));
  return { ...facts, ...classState(facts, all), pupils, steps };
}

/** By what a class goes on, from its style. */
export function goOnSetting({ goOnShare, teaching }: Pick<ClassOnDay['style'], 'goOnShare' | 'teaching'>): GoOnSetting {
  return { kind: teaching.goOn, share: goOnShare, ownStep: teaching.ownStep };
}

/** Where pupils stand by their records. @param recordsOf the records of a pupil, by id. */
export function byRecords(
  recordsOf: (pupilId: string) => readonly RecordEvent[],
): (pupil: PupilOnDay, rules: readonly StepRule[]) => Standing {
  return ({ id, startStep }, rules) =>
    standings([{ pupilId: id, startStepIndex: startStep - 1 }], rules, recordsOf(id))[0]!;
}

/** By what rules the steps of a class are passed. */
export function stepRules(steps: readonly Omit<StepOnDay, 'tuneSeconds'>[], parts: PartRule): readonly StepRule[] {
  return steps.map(({ id, tunes, toPass }) => ({
    id,
    tunes: tunes.filter((tune) => countsForPassing(tune.role)).map((tune) => tune.id),
    toPass,
    bars: Object.fromEntries(tunes.map((tune) => [tune.id, tune.bars])),
    parts,
  }));
}

/** Seconds of one turn on each step: the tune, the change and the talk. */
export function turnSeconds(steps: readonly Pick<StepOnDay, 'tuneSeconds'>[]): readonly number[] {
  return steps.map((step) => step.tuneSeconds + USUAL_PAUSE);
}

function classState(day: ClassOnDay, all: readonly Standing[]): ClassState {
  const { hearing } = day.style;
  const dayOf = dayIn(day.timeZone);
  const pupils = new Map(day.pupils.map((pupil) => [pupil.id, pupil]));
  const waits = waitsOf(day, pupils, all, dayOf);
  const lessonsWaited = ({ pupilId }: Standing): number => waits.get(pupilId) ?? 0;
  const stepIds = day.steps.map((step) => step.id);
  const current = classStep(all, stepIds, goOnSetting(day.style));
  const pace = { perLesson: turnsInLesson(turnSeconds(day.steps), hearing.minutes, all), within: hearing.within };
  const heardToday = ({ lastHeardAt }: Standing): boolean => lastHeardAt !== null && dayOf(lastHeardAt) === day.today;
  const here = all.filter(({ pupilId }) => pupils.get(pupilId)?.away !== true);
  return {
    pace,
    classStep: current,
    queue: hearingQueue(here, lessonsWaited, pace, current, heardToday),
    stuck: stuckPupils(all, stepIds, lessonsWaited, current),
  };
}

/** Lessons since each pupil was last heard, or came. */
function waitsOf(
  { lessons, today }: ClassOnDay,
  pupils: ReadonlyMap<string, PupilOnDay>,
  all: readonly Standing[],
  dayOf: (moment: string) => LocalDate,
): ReadonlyMap<string, number> {
  const dates = lessons.all.map((lesson) => lesson.date);
  return new Map(
    all.map(({ pupilId, lastHeardAt }) => {
      const joinedOn = pupils.get(pupilId)?.joinedOn ?? today;
      const lastOn = lastHeardAt === null ? null : dayOf(lastHeardAt);
      return [pupilId, lessonsWithout(dates, lastOn, joinedOn, today)];
    }),
  );
}

/** By the mean turn of those who are still on the stairs; one at least. */
function turnsInLesson(seconds: readonly number[], minutes: number, all: readonly Standing[]): number {
  const turns = all.flatMap((standing) => seconds[standing.stepIndex] ?? []);
  if (turns.length === 0) return 1;
  const mean = turns.reduce((sum, turn) => sum + turn, 0) / turns.length;
  return Math.max(1, Math.floor((minutes * 60) / mean));
}
