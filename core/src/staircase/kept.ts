/** What hangs on a step of a staircase that is being changed. */
export interface HangsOn {
  /** Results of pupils. */
  readonly results: number;
  /** Pupils who began, or will begin, here. */
  readonly starters: number;
}

export interface StepBefore extends HangsOn {
  readonly id: string;
  /** The main tune first. */
  readonly tunes: readonly { readonly id: string; readonly title: string }[];
}

export interface StepAfter {
  /** Null for a new step. */
  readonly id: string | null;
  readonly tunes: readonly { readonly id: string }[];
}

/** Why a step has to stay on its staircase. */
export type StaysBecause =
  { readonly code: 'has-results'; readonly results: number } | { readonly code: 'pupil-begins' };

/** Why a change of a staircase cannot be: it would take away what hangs on a step. */
export type KeptProblem = { readonly position: number; readonly title: string } & (
  StaysBecause | { readonly code: 'main-tune-stays'; readonly results: number } | { readonly code: 'tune-has-results' }
);

/** Null for a step that can go. */
export function staysBecause({ results, starters }: HangsOn): StaysBecause | null {
  if (results > 0) return { code: 'has-results', results };
  return starters > 0 ? { code: 'pupil-begins' } : null;
}

/**
 * Steps keep what hangs on them: one with results or beginners stays, and so do the tunes that results name.
 * @param heardTunes ids of the tunes that the results of a step name, by the id of the step.
 * @returns the first problem, null where there is none.
 */
export function keptProblem(
  before: readonly StepBefore[],
  after: readonly StepAfter[],
  heardTunes: ReadonlyMap<string, readonly string[]>,
): KeptProblem | null {
  for (const [index, step] of before.entries()) {
    const at = { position: index + 1, title: step.tunes[0]!.title };
    const next = after.find((each) => each.id === step.id);
    if (next === undefined) {
      const why = staysBecause(step);
      if (why !== null) return { ...at, ...why };
      continue;
    }
    if (step.results > 0 && next.tunes[0]?.id !== step.tunes[0]!.id)
      return { ...at, code: 'main-tune-stays', results: step.results };
    const named = heardTunes.get(step.id) ?? [];
    const lost = step.tunes.find(({ id }) => named.includes(id) && !next.tunes.some((other) => other.id === id));
    if (lost !== undefined) return { ...at, title: lost.title, code: 'tune-has-results' };
  }
  return null;
}
