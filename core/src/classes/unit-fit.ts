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

export type FitKind = 'rows' | 'recordings' | 'longer' | 'merge' | 'drop';

/** What would bring a unit into its term, with the lessons that it saves. */
export interface FitChange {
  readonly kind: FitKind;
  /** Index of the step that it is about, of the lower one of two; null for all. */
  readonly step: number | null;
  readonly gain: number;
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
  const sum = (perLesson: number): number => steps.reduce((total, step) => total + need(step.rise, perLesson), 0);
  const now = sum(unit.heard.alone);
  const merged = steps.flatMap((step, index): FitChange[] => {
    const next = steps[index + 1];
    if (next === undefined) return [];
    // One tune less to learn; what is new stays.
    const gain = need(step.rise) + need(next.rise) - need(step.rise + next.rise - 1);
    return [{ kind: 'merge', step: index, gain }];
  });
  const dropped = steps.flatMap((step, index): FitChange[] =>
    step.isQuiet ? [{ kind: 'drop', step: index, gain: need(step.rise) }] : [],
  );
  const best = (changes: readonly FitChange[]): readonly FitChange[] =>
    changes.toSorted((a, b) => b.gain - a.gain).slice(0, 2);
  const all: readonly FitChange[] = [
    { kind: 'rows', step: null, gain: now - sum(unit.heard.rows) },
    { kind: 'recordings', step: null, gain: now - sum(0) },
    { kind: 'longer', step: null, gain: now - sum(unit.heard.longer) },
    ...best(merged),
    ...best(dropped),
  ];
  return all.filter((change) => change.gain > 0).toSorted((a, b) => b.gain - a.gain);
}
