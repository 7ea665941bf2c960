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
