import type { Objective, StaircaseRules } from './objective.ts';
import type { TuneProfile } from './profile.ts';
import { StaircaseScorer } from './scorer.ts';
import { Search } from './search.ts';

export interface BuildRequest extends StaircaseRules {
  /** The library to choose from. */
  readonly tunes: readonly TuneProfile[];
  readonly seed: number;
}

/** A tune that could stand in the place of a step's, and what the staircase would then weigh. */
export interface Alternative {
  readonly tune: string;
  readonly total: number;
}

export interface Built {
  /** Ids of the tunes, from the first step up; fewer than wanted when the library has no more that can be played. */
  readonly list: readonly string[];
  readonly objective: Objective;
  /** Whether every possible staircase was weighed. */
  readonly exact: boolean;
}

/**
 * The staircase against which least counts, `AGAINST` says what. Small libraries are searched whole. Others by a beam
 * that keeps the best partials for each number of notes reached, aimed at several heights of a step; the best is then
 * improved by putting in, exchanging and moving tunes until no such change makes it better, from several starts.
 * The same request gives the same staircase.
 * @yields the share that is done, 0 to 1, so that the work can pause or end there.
 */
export function* buildStaircase(request: BuildRequest): Generator<number, Built> {
  const never = new Set(request.pins.flatMap((pin) => (pin.kind === 'never' ? [pin.tune] : [])));
  const tunes = request.tunes.filter((tune) => !never.has(tune.id));
  const scorer = new StaircaseScorer(tunes, request);
  const search = new Search(scorer, { ...request, tunes });
  const best = search.isSmall ? search.all() : yield* search.guided();
  return {
    list: best.tunes.map((index) => tunes[index]!.id),
    objective: scorer.weigh(best),
    exact: search.isSmall,
  };
}

/** Runs it to its end. */
export function builtStaircase(request: BuildRequest): Built {
  const work = buildStaircase(request);
  for (;;) {
    const next = work.next();
    if (next.done === true) return next.value;
  }
}

/** A staircase that others have chosen, on the same scorer. @throws RangeError for an id that is not in the library. */
export function scoreStaircase(
  tunes: readonly TuneProfile[],
  rules: StaircaseRules,
): (list: readonly string[]) => Objective {
  const scorer = new StaircaseScorer(tunes, rules);
  const places = new Map(tunes.map((tune, index) => [tune.id, index]));
  return (list) => scorer.weigh(scorer.partialOf(list.map((id) => placeOf(places, id))));
}

/**
 * The tunes next in line for a step, best first: those with which the staircase, else unchanged, weighs least.
 * @param position of the step, from 0.
 * @throws RangeError for an id that is not in the library.
 */
export function nextInLine(
  { tunes, ...rules }: Omit<BuildRequest, 'seed'>,
  list: readonly string[],
  position: number,
  most: number,
): readonly Alternative[] {
  return alternatives(new StaircaseScorer(tunes, rules), tunes, list)(position).slice(0, most);
}

/** The same for each step. */
export function alternativesOf(
  { tunes, ...rules }: Omit<BuildRequest, 'seed'>,
  list: readonly string[],
  most: number,
): readonly (readonly Alternative[])[] {
  const at = alternatives(new StaircaseScorer(tunes, rules), tunes, list);
  return list.map((_, position) => at(position).slice(0, most));
}

function alternatives(
  scorer: StaircaseScorer,
  tunes: readonly TuneProfile[],
  list: readonly string[],
): (position: number) => readonly Alternative[] {
  const places = new Map(tunes.map((tune, index) => [tune.id, index]));
  const indices = list.map((id) => placeOf(places, id));
  const free = tunes.map((_, index) => index).filter((index) => !indices.includes(index) && scorer.isPlayable(index));
  const partial = scorer.start();
  return (position) => {
    const before = scorer.partialOf(indices.slice(0, position));
    return free
      .map((index): Alternative => {
        partial.become(before);
        for (const next of [index, ...indices.slice(position + 1)]) scorer.add(partial, next);
        return { tune: tunes[index]!.id, total: scorer.total(partial) };
      })
      .toSorted((a, b) => a.total - b.total || compareText(a.tune, b.tune));
  };
}

function placeOf(places: ReadonlyMap<string, number>, id: string): number {
  const place = places.get(id);
  if (place === undefined) throw new RangeError(`There is no tune ${id}`);
  return place;
}

function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
