import { lessonsToTeach } from '../staircase/index.ts';

/** A step as the plan of a unit sees it. */
export interface UnitStep {
  readonly rise: number;
  /** Lessons foreseen for it. */
  readonly lessons: number;
  /** It brings nothing new but moves. */
  readonly isQuiet: boolean;
}

export interface UnitClass {
  readonly pupils: number;
  /** Percent that has to pass before the class goes on. */
  readonly goOnShare: number;
  /** Pupils heard in a lesson: one by one, in rows of three, and with five minutes more. */
  readonly heard: { readonly alone: number; readonly rows: number; readonly longer: number };
}

export interface StepNeed {
  /** Lessons to teach what is new. */
  readonly teach: number;
  /** Lessons until enough have been heard, a few in each. */
  readonly hear: number;
  /** The longer of both, and one lesson to go over it. */
  readonly needed: number;
}

/** A hearing is passed so often, as a rule: two of three. */
export const TRIES_A_PASS = 1.5;

export type FitKind = 'rows' | 'recordings' | 'longer' | 'merge' | 'drop' | 'concert';

/** What would bring a unit into its term, with the lessons that it saves. */
export interface FitChange {
  readonly kind: FitKind;
  /** Index of the step that it is about, of the lower one of two; null for all. */
  readonly step: number | null;
  readonly gain: number;
  /** What of it comes at each step, from the first up. */
  readonly gains: readonly number[];
}

/** Lessons that a step takes: teaching by its rise, hearing by how many can be heard beside it. */
export function stepNeed(
  rise: number,
  { pupils, goOnShare }: Pick<UnitClass, 'pupils' | 'goOnShare'>,
  perLesson: number,
): StepNeed {
  const teach = lessonsToTeach(rise);
  const wanted = (pupils * goOnShare * TRIES_A_PASS) / 100;
  const hear = perLesson <= 0 ? 0 : Math.ceil(wanted / perLesson);
  return { teach, hear, needed: Math.max(teach + 1, hear) };
}

/** Changes that save lessons, those that save most first. */
export function waysToFit(steps: readonly UnitStep[], unit: UnitClass): readonly FitChange[] {
  const need = (rise: number, perLesson = unit.heard.alone): number => stepNeed(rise, unit, perLesson).needed;
  const change = (kind: FitKind, step: number | null, gains: readonly number[]): FitChange => ({
    kind,
    step,
    gains,
    gain: gains.reduce((sum, gain) => sum + gain, 0),
  });
  const heardOtherwise = (kind: FitKind, perLesson: number): FitChange =>
    change(
      kind,
      null,
      steps.map((step) => need(step.rise) - need(step.rise, perLesson)),
    );
  const atStep = (kind: FitKind, step: number, gain: number): FitChange =>
    change(
      kind,
      step,
      steps.map((_, index) => (index === step ? gain : 0)),
    );
  const merged = steps.slice(1).map((next, index) => {
    const { rise } = steps[index]!;
    // One tune less to learn; what is new stays.
    return atStep('merge', index, need(rise) + need(next.rise) - need(rise + next.rise - 1));
  });
  const dropped = steps.flatMap((step, index) => (step.isQuiet ? [atStep('drop', index, need(step.rise))] : []));
  const last = steps.length - 1;
  // Whoever plays to others with the tune before the last has the last one for afterwards.
  const concert = last < 1 ? [] : [atStep('concert', last, need(steps[last]!.rise))];
  const byGain = (changes: readonly FitChange[]): readonly FitChange[] => changes.toSorted((a, b) => b.gain - a.gain);
  return byGain(
    [
      heardOtherwise('rows', unit.heard.rows),
      heardOtherwise('recordings', 0),
      heardOtherwise('longer', unit.heard.longer),
      ...byGain(merged).slice(0, 2),
      ...byGain(dropped).slice(0, 2),
      ...concert,
    ].filter((change) => change.gain > 0),
  );
}

/**
 * The step with whose end a change has saved so many lessons, counted from a step on, as an index; null when it never does.
 * So a group that is behind is level again.
 */
export function levelAfter({ gains }: FitChange, lessons: number, from: number): number | null {
  let saved = 0;
  for (let step = from; step < gains.length; step++) {
    saved += gains[step]!;
    if (saved >= lessons) return step;
  }
  return null;
}
