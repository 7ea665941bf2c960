import type { Standing } from './standings.ts';

/** By what a class decides to go on to its next step. */
export type GoOnRule =
  /** So many percent have passed. */
  | { readonly kind: 'share'; readonly share: number }
  /** Everybody has been heard on the step once. */
  | { readonly kind: 'heard' }
  /** The teacher says so. */
  | { readonly kind: 'own'; readonly yes: boolean };

/** Where one pupil stands on the step of the class. */
export interface OnStep {
  readonly id: string;
  readonly passed: boolean;
  /** Heard on this step at least once, or past it. */
  readonly heard: boolean;
}

export interface GoOnAnswer {
  readonly rule: GoOnRule;
  readonly goOn: boolean;
  readonly passed: number;
  readonly heard: number;
  readonly of: number;
  /** How many more it takes. */
  readonly missing: number;
  /** Who holds it up: not passed, or not heard, by the rule. */
  readonly holding: readonly string[];
  /** Who has not passed when the class goes on: heard first, on the easier line. */
  readonly behind: readonly string[];
}

/** Whether the class goes on, by its own rule, and whom that leaves. */
export function decideGoOn(rule: GoOnRule, pupils: readonly OnStep[]): GoOnAnswer {
  const of = pupils.length;
  const behind = pupils.filter((pupil) => !pupil.passed).map(({ id }) => id);
  const unheard = pupils.filter((pupil) => !pupil.heard).map(({ id }) => id);
  const passed = of - behind.length;
  const wanted = rule.kind === 'share' ? Math.ceil((rule.share * of) / 100 - 1e-9) : of;
  const missing =
    rule.kind === 'share'
      ? Math.max(0, wanted - passed)
      : rule.kind === 'heard'
        ? unheard.length
        : rule.yes
          ? 0
          : behind.length;
  const goOn = of > 0 && (rule.kind === 'own' ? rule.yes : missing === 0);
  const holding = goOn ? [] : rule.kind === 'heard' ? unheard : behind;
  return { rule, goOn, passed, heard: of - unheard.length, of, missing, holding, behind };
}

/** By what a class goes on, as it is set. */
export interface GoOnSetting {
  readonly kind: GoOnRule['kind'];
  readonly share: number;
  /** Index of the step that the teacher has gone on to. */
  readonly ownStep: number;
}

/** Whether a class goes on from one of its steps, by its setting. @param step its index. */
export function goOnFromStep(
  all: readonly Standing[],
  { kind, share, ownStep }: GoOnSetting,
  stepId: string,
  step: number,
): GoOnAnswer {
  const rule: GoOnRule = kind === 'own' ? { kind, yes: ownStep > step } : kind === 'heard' ? { kind } : { kind, share };
  return decideGoOn(
    rule,
    all.map(({ pupilId, stepIndex, steps }) => ({
      id: pupilId,
      passed: stepIndex > step,
      heard: stepIndex > step || steps.some((heard) => heard.stepId === stepId),
    })),
  );
}

/**
 * Index of the step that the class works on: the first from which it does not go on; the number of steps after all.
 * @param stepIds of the staircase from the first up.
 */
export function classStep(all: readonly Standing[], stepIds: readonly string[], setting: GoOnSetting): number {
  if (setting.kind === 'own') return Math.min(setting.ownStep, stepIds.length);
  const open = stepIds.findIndex((id, step) => !goOnFromStep(all, setting, id, step).goOn);
  return open < 0 ? stepIds.length : open;
}
