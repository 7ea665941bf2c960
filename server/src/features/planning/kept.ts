import type { StaircaseDto, StepInput } from '@escalier/contract/staircases';
import { keptProblem } from '@escalier/core/staircase';
import { keptWords } from '@escalier/core/words';
import { Problem, wrongInput } from '../../platform/problem.ts';
import type { HeardOnStep } from '../hearing/index.ts';

/** @throws Problem 409 with what to do instead, 400 for a step of another staircase. */
export function checkKept(
  before: StaircaseDto,
  steps: readonly StepInput[],
  heard: ReadonlyMap<string, HeardOnStep>,
): void {
  const own = new Set(before.steps.map((step) => step.id));
  const ids = steps.flatMap((step) => step.id ?? []);
  if (ids.some((id) => !own.has(id)) || new Set(ids).size < ids.length) throw wrongInput({ steps: 'unknown' });
  // A result that names no tune is of the step's first.
  const named = before.steps.map(({ id, tunes }): [string, string[]] => [
    id,
    (heard.get(id)?.tunes ?? []).map((tune) => tune ?? tunes[0]!.id),
  ]);
  const problem = keptProblem(before.steps, steps, new Map(named));
  if (problem !== null) throw inUse(keptWords(problem));
}

export function inUse(message: string): Problem {
  return new Problem(409, 'in-use', message);
}
