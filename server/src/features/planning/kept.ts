import { Problem, wrongInput } from '../../platform/problem.ts';
import type { HeardOnStep } from '../hearing/index.ts';
import type { StepInput } from './input.ts';
import type { StaircaseDto } from './read.ts';

/**
 * Steps keep what hangs on them: one with results or beginners stays, and so do the tunes that results name.
 * @throws Problem 409 with what to do instead, 400 for a step of another staircase.
 */
export function checkKept(
  before: StaircaseDto,
  steps: readonly StepInput[],
  heard: ReadonlyMap<string, HeardOnStep>,
): void {
  const own = new Set(before.steps.map((step) => step.id));
  const ids = steps.flatMap((step) => step.id ?? []);
  if (ids.some((id) => !own.has(id)) || new Set(ids).size < ids.length) throw wrongInput({ steps: 'unknown' });
  for (const [index, step] of before.steps.entries()) {
    const next = steps.find((each) => each.id === step.id);
    const title = `Step ${index + 1}, “${step.tunes[0]!.title}”,`;
    if (next === undefined) {
      if (step.results > 0)
        throw inUse(`${title} has ${results(step.results)}. Move it instead of removing it, or change a copy.`);
      if (step.starters > 0)
        throw inUse(`${title} is where a pupil begins. Give the pupil another first step first, under Pupils.`);
      continue;
    }
    const named = (heard.get(step.id)?.tunes ?? []).map((tune) => tune ?? step.tunes[0]!.id);
    if (step.results > 0 && next.tunes[0]!.id !== step.tunes[0]!.id)
      throw inUse(`${title} has ${results(step.results)}. Add the other tune as a choice beside it, or as a new step.`);
    const lost = step.tunes.find(
      (tune) => named.includes(tune.id) && !next.tunes.some((other) => other.id === tune.id),
    );
    if (lost !== undefined) throw inUse(`Step ${index + 1} has results with “${lost.title}”: it stays as a choice.`);
  }
}

export function results(count: number): string {
  return count === 1 ? 'a result' : `${count} results`;
}

export function inUse(message: string): Problem {
  return new Problem(409, 'in-use', message);
}
