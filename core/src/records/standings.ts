import type { HeardEvent, Outcome, RecordEvent } from './events.ts';

/** What the records say about one pupil on one step. */
export interface StepStanding {
  readonly stepId: string;
  /** How often the pupil was heard on it. */
  readonly tries: number;
  readonly passed: boolean;
  readonly lastOutcome: Outcome;
  readonly lastHeardAt: string;
  /** Remarks of the last hearing. */
  readonly remarks: readonly string[];
}

export type PupilState = 'working' | 'nearly' | 'stuck' | 'finished';

export interface Standing {
  readonly pupilId: string;
  /** Index of the first step not passed; the number of steps when all are passed. */
  readonly stepIndex: number;
  readonly state: PupilState;
  readonly passedSteps: number;
  readonly triesOnStep: number;
  /** Null when never heard. */
  readonly lastHeardAt: string | null;
  readonly steps: readonly StepStanding[];
}

export interface PupilStart {
  readonly pupilId: string;
  /** Late joiners start higher: the steps below count as done. */
  readonly startStepIndex: number;
}

/** So many tries on one step without a pass mean that a pupil is stuck. */
export const STUCK_TRIES = 3;

/**
 * Where each pupil stands. The same events in any order, and any of them twice, give the same standings.
 * @param stepIds the steps of the staircase from the first up.
 */
export function standings(
  pupils: readonly PupilStart[],
  stepIds: readonly string[],
  events: Iterable<RecordEvent>,
): readonly Standing[] {
  const heard = heardByPupil(events);
  return pupils.map((pupil) => standingOf(pupil, stepIds, heard.get(pupil.pupilId) ?? []));
}

function heardByPupil(events: Iterable<RecordEvent>): ReadonlyMap<string, readonly HeardEvent[]> {
  const undone = new Set<string>();
  const unique = new Map<string, HeardEvent>();
  for (const event of events) {
    if (event.kind === 'undone') undone.add(event.undoes);
    else unique.set(event.id, event);
  }
  const byPupil = new Map<string, HeardEvent[]>();
  for (const event of unique.values()) {
    if (undone.has(event.id)) continue;
    const list = byPupil.get(event.pupilId);
    if (list === undefined) byPupil.set(event.pupilId, [event]);
    else list.push(event);
  }
  return byPupil;
}

function standingOf(pupil: PupilStart, stepIds: readonly string[], heard: readonly HeardEvent[]): Standing {
  const inTime = heard.toSorted((a, b) => compareText(a.heardAt, b.heardAt) || compareText(a.id, b.id));
  const steps = stepIds.flatMap(
    (stepId) =>
      stepStanding(
        stepId,
        inTime.filter((event) => event.stepId === stepId),
      ) ?? [],
  );
  const passed = new Set(steps.filter((step) => step.passed).map((step) => step.stepId));
  const open = stepIds.findIndex((stepId, index) => index >= pupil.startStepIndex && !passed.has(stepId));
  const stepIndex = open < 0 ? stepIds.length : open;
  const current = steps.find((step) => step.stepId === stepIds[stepIndex]);
  return {
    pupilId: pupil.pupilId,
    stepIndex,
    state: stateOf(stepIndex === stepIds.length, current),
    passedSteps: passed.size,
    triesOnStep: current?.tries ?? 0,
    lastHeardAt: inTime.at(-1)?.heardAt ?? null,
    steps,
  };
}

function stepStanding(stepId: string, heard: readonly HeardEvent[]): StepStanding | null {
  const last = heard.at(-1);
  if (last === undefined) return null;
  return {
    stepId,
    tries: heard.length,
    passed: heard.some((event) => event.outcome === 'passed'),
    lastOutcome: last.outcome,
    lastHeardAt: last.heardAt,
    remarks: last.remarks,
  };
}

function stateOf(finished: boolean, current: StepStanding | undefined): PupilState {
  if (finished) return 'finished';
  if (current === undefined) return 'working';
  if (current.lastOutcome === 'nearly') return 'nearly';
  return current.tries >= STUCK_TRIES ? 'stuck' : 'working';
}

function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
