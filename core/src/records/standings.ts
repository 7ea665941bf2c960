import { hearings, schoolTime, type HeardEvent, type Outcome, type RecordEvent } from './events.ts';
import { groupBy } from './group.ts';

/** A step as passing goes: any of its tunes, or several of them. */
export interface StepRule {
  readonly id: string;
  /** Ids of its tunes, the first one first; none when it does not matter. */
  readonly tunes: readonly string[];
  /** How many different tunes have to be passed. */
  readonly toPass: number;
  /** So many bars has each of its tunes, by id; a tune that is not here is passed as a whole only. */
  readonly bars?: Readonly<Record<string, number>>;
  /** Whether parts that were passed make up the whole, and whether slow ones count. */
  readonly parts?: 'whole' | 'at-tempo' | 'any-tempo';
}

/** What the records say about one pupil on one step. */
export interface StepStanding {
  readonly stepId: string;
  /** How often the pupil was heard on it. */
  readonly tries: number;
  /** How often it was nearly passed. */
  readonly nearly: number;
  readonly passed: boolean;
  /** When enough tunes were first passed, by the device's time; null until then. */
  readonly passedAt: string | null;
  /** How much of the first of its tunes that is not passed was passed in parts: 0 for nothing, 1 for all of it. */
  readonly share: number;
  /** Ids of the tunes that are passed, each once. */
  readonly passedTunes: readonly string[];
  readonly lastOutcome: Outcome;
  /** By the device's time. */
  readonly lastHeardAt: string;
  /** Remarks of the last hearing. */
  readonly remarks: readonly string[];
  /** The fastest tempo that was noted, in beats a minute. */
  readonly tempo: number | null;
}

export type PupilState = 'working' | 'nearly' | 'stuck' | 'finished';

export interface Standing {
  readonly pupilId: string;
  /** Index of the first step not passed; the number of steps when all are passed. */
  readonly stepIndex: number;
  readonly state: PupilState;
  readonly passedSteps: number;
  readonly triesOnStep: number;
  /** By the school's clock, so that a wrong one does not make anybody wait; null when never heard. */
  readonly lastHeardAt: string | null;
  readonly steps: readonly StepStanding[];
}

export interface PupilStart {
  readonly pupilId: string;
  /** Late joiners start higher: the steps below count as done. */
  readonly startStepIndex: number;
}

/** Goes up whenever the same records come to give another standing, so that nothing that was kept is taken for it. */
export const STANDINGS_VERSION = 4;

/** So many tries on one step without a pass mean that a pupil is stuck. */
export const STUCK_TRIES = 3;

/**
 * Where each pupil stands. The same events in any order, and any of them twice, give the same standings.
 * @param steps of the staircase from the first up.
 */
export function standings(
  pupils: readonly PupilStart[],
  steps: readonly StepRule[],
  events: Iterable<RecordEvent>,
): readonly Standing[] {
  const byPupil = groupBy(hearings(events), (event) => event.pupilId);
  return pupils.map((pupil) => standingOf(pupil, steps, byPupil.get(pupil.pupilId) ?? []));
}

function standingOf(pupil: PupilStart, rules: readonly StepRule[], heard: readonly HeardEvent[]): Standing {
  const byStep = groupBy(heard, (event) => event.stepId);
  const steps = rules.flatMap((rule) => {
    const onStep = byStep.get(rule.id);
    return onStep === undefined ? [] : [stepStanding(rule, onStep)];
  });
  const passed = new Set(steps.filter((step) => step.passed).map((step) => step.stepId));
  const open = rules.findIndex(({ id }, index) => index >= pupil.startStepIndex && !passed.has(id));
  const stepIndex = open < 0 ? rules.length : open;
  const current = steps.find((step) => step.stepId === rules[stepIndex]?.id);
  return {
    pupilId: pupil.pupilId,
    stepIndex,
    state: stateOf(stepIndex === rules.length, current),
    passedSteps: passed.size,
    triesOnStep: current?.tries ?? 0,
    lastHeardAt: latest(heard.map(schoolTime)),
    steps,
  };
}

/** @param heard at least one hearing on the step, in order. */
function stepStanding(rule: StepRule, heard: readonly HeardEvent[]): StepStanding {
  const last = heard.at(-1)!;
  const needed = Math.max(1, Math.min(rule.toPass, rule.tunes.length));
  const passedTunes = new Set<string>();
  const covered = new Map<string, Set<number>>();
  let passedAt: string | null = null;
  for (const event of heard) {
    const tune = event.tuneId ?? rule.tunes[0] ?? '';
    // A tune for those ahead is none of the rule's.
    const isOfRule = rule.tunes.length === 0 || rule.tunes.includes(tune);
    if (event.outcome === 'passed' && isOfRule && passesTune(event, tune, rule, covered)) passedTunes.add(tune);
    if (passedTunes.size >= needed) passedAt ??= event.heardAt;
  }
  const tempi = heard.flatMap((event) => event.tempo ?? []);
  return {
    stepId: rule.id,
    tries: heard.length,
    nearly: heard.filter((event) => event.outcome === 'nearly').length,
    passed: passedAt !== null,
    passedAt,
    share: passedAt === null ? shareOf(rule, covered, passedTunes) : 1,
    passedTunes: [...passedTunes],
    lastOutcome: last.outcome,
    lastHeardAt: last.heardAt,
    remarks: last.remarks,
    tempo: tempi.length === 0 ? null : Math.max(...tempi),
  };
}

/** Whether a pass is one of the whole tune, or the last of the parts that make it up. Notes what is covered. */
function passesTune({ extent }: HeardEvent, tune: string, rule: StepRule, covered: Map<string, Set<number>>): boolean {
  if (extent === undefined) return true;
  const bars = covered.get(tune) ?? new Set<number>();
  covered.set(tune, bars);
  const counts = rule.parts !== 'at-tempo' || !extent.slowly;
  const [first, last] = extent.indices;
  if (counts) for (let bar = first; bar <= last; bar++) bars.add(bar);
  const all = rule.bars?.[tune];
  return (rule.parts ?? 'whole') !== 'whole' && all !== undefined && bars.size >= all;
}

function shareOf(rule: StepRule, covered: ReadonlyMap<string, Set<number>>, passed: ReadonlySet<string>): number {
  const shares = [...covered].flatMap(([tune, bars]) => {
    const all = rule.bars?.[tune];
    return all === undefined || passed.has(tune) ? [] : [Math.min(1, bars.size / all)];
  });
  return Math.max(0, ...shares);
}

function stateOf(finished: boolean, current: StepStanding | undefined): PupilState {
  if (finished) return 'finished';
  if (current === undefined) return 'working';
  if (current.lastOutcome === 'nearly') return 'nearly';
  return current.tries - current.passedTunes.length >= STUCK_TRIES ? 'stuck' : 'working';
}

/** ISO times in UTC sort as text. */
function latest(times: readonly string[]): string | null {
  return times.reduce<string | null>((last, time) => (last === null || time > last ? time : last), null);
}
