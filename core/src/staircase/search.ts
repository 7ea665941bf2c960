import { seeded } from '../practice/index.ts';
import { AGAINST, type StaircaseRules } from './objective.ts';
import type { TuneProfile } from './profile.ts';
import type { PartialStaircase, StaircaseScorer } from './scorer.ts';

/** Up to so many possible staircases all of them are weighed. */
const MOST_WEIGHED = 60_000;

/** Points that a beam's partials aim their rises at. */
const AIMS = [2, 3, 4, 5.5, 7.5] as const;
/** Courses that go on from a step, for each number of notes that are reached; fewer where there is much to choose from. */
const BEAM = 8;
const NARROW_BEAM = 3;
const MANY_TUNES = 300;
/** Staircases weighed when the best partial is improved by exchanging tunes. */
const TRIES = 180_000;

interface SearchRequest extends StaircaseRules {
  /** In the order in which the scorer number them. */
  readonly tunes: readonly TuneProfile[];
  readonly seed: number;
}

interface Weighed {
  readonly list: readonly number[];
  readonly total: number;
}

/** Looks for the staircase that weighs least. */
export class Search {
  readonly #scorer: StaircaseScorer;
  readonly #random: () => number;
  /** Tunes that may stand on a step, by their indices. */
  readonly #candidates: readonly number[];
  readonly #length: number;
  /** Tunes that are wished at a step, and at a step or below, by the step's index. */
  readonly #fixed: ReadonlyMap<number, number>;
  readonly #due: ReadonlyMap<number, number>;
  readonly isSmall: boolean;
  /** Where staircases are weighed. */
  readonly #partial: PartialStaircase;
  readonly #beamWidth: number;
  #tries = 0;

  constructor(scorer: StaircaseScorer, { tunes, seed, ...rules }: SearchRequest) {
    this.#scorer = scorer;
    this.#random = seeded(seed);
    this.#partial = scorer.start();
    const playable = Array.from({ length: scorer.size }, (_, index) => index).filter((index) =>
      scorer.isPlayable(index),
    );
    this.isSmall = partials(playable.length, rules.steps) <= MOST_WEIGHED;
    const fitting = playable.filter((index) => scorer.fits(index) || isPinned(rules, tunes[index]!.id));
    this.#candidates = !this.isSmall && fitting.length >= rules.steps ? fitting : playable;
    this.#beamWidth = this.#candidates.length > MANY_TUNES ? NARROW_BEAM : BEAM;
    this.#length = Math.min(rules.steps, this.#candidates.length);
    const pinned = (kind: 'at' | 'by') =>
      new Map(
        rules.pins.flatMap((pin) => {
          const index = tunes.findIndex((tune) => tune.id === pin.tune);
          return pin.kind === kind && index >= 0 ? [[pin.step - 1, index] as const] : [];
        }),
      );
    this.#fixed = pinned('at');
    this.#due = pinned('by');
  }

  /** Weighs all there are. */
  all(): PartialStaircase {
    let best: PartialStaircase | null = null;
    let least = Infinity;
    const climb = (partial: PartialStaircase): void => {
      if (partial.tunes.length === this.#length) {
        const total = this.#scorer.total(partial);
        if (total < least) [best, least] = [partial, total];
        return;
      }
      for (const index of this.#candidates) {
        if (partial.tunes.includes(index)) continue;
        const next = partial.copy();
        this.#scorer.add(next, index);
        climb(next);
      }
    };
    climb(this.#scorer.start());
    return best ?? this.#scorer.start();
  }

  /** By a beam for each height, the best of them improved. @yields the share that is done. */
  *guided(): Generator<number, PartialStaircase> {
    const starts: PartialStaircase[] = [];
    for (const [round, aim] of AIMS.entries()) starts.push(yield* this.#beam(aim, round));
    starts.sort((a, b) => this.#scorer.total(a) - this.#scorer.total(b));
    let best = this.#improved(starts[0]!.tunes);
    yield 0.6;
    const second = this.#improved(starts[1]!.tunes);
    if (second.total < best.total) best = second;
    while (this.#tries < TRIES && this.#length > 1) {
      const other = this.#improved(this.#shaken(best.list));
      if (other.total < best.total) best = other;
      yield 0.6 + 0.4 * Math.min(1, this.#tries / TRIES);
    }
    return this.#scorer.partialOf(best.list);
  }

  /** The best partial whose rises lie about one height. */
  *#beam(aim: number, round: number): Generator<number, PartialStaircase> {
    let partials: readonly PartialStaircase[] = [this.#scorer.start()];
    const next = this.#scorer.start();
    for (let position = 0; position < this.#length; position++) {
      const byReached = new Map<number, { readonly partial: PartialStaircase; readonly score: number }[]>();
      for (const partial of partials) {
        for (const index of this.#candidatesAt(position, partial)) {
          if (partial.tunes.includes(index)) continue;
          next.become(partial);
          this.#scorer.add(next, index);
          const lane = byReached.get(next.reached) ?? [];
          byReached.set(next.reached, lane);
          keepBest(lane, next, scoreOf(next, aim), this.#beamWidth);
        }
      }
      partials = [...byReached.values()].flat().map((each) => each.partial);
      yield (0.5 * (round + (position + 1) / this.#length)) / AIMS.length;
    }
    return partials.reduce((best, partial) =>
      this.#scorer.total(partial) < this.#scorer.total(best) ? partial : best,
    );
  }

  #candidatesAt(position: number, { tunes }: PartialStaircase): readonly number[] {
    const wanted = [this.#fixed.get(position), this.#due.get(position)].find(
      (index) => index !== undefined && !tunes.includes(index),
    );
    return wanted === undefined ? this.#candidates : [wanted];
  }

  /** Puts in, exchanges and moves tunes until no such change makes it better. */
  #improved(from: readonly number[]): Weighed {
    let best: Weighed = { list: from, total: this.#scorer.total(this.#scorer.partialOf(from)) };
    for (;;) {
      const total = best.total;
      for (let position = 0; position < from.length; position++) best = this.#withBestAt(best, position);
      best = this.#reordered(best);
      if (best.total === total) return best;
    }
  }

  /** The tune in one place changed for the best one there. */
  #withBestAt(from: Weighed, position: number): Weighed {
    let best = from;
    const before = this.#scorer.partialOf(from.list.slice(0, position));
    const rest = from.list.slice(position + 1);
    for (const index of this.#candidates) {
      if (from.list.includes(index)) continue;
      this.#partial.become(before);
      this.#scorer.add(this.#partial, index);
      this.#tries += 1;
      const total = this.#totalWith(rest, best.total);
      if (total < best.total) best = { list: from.list.with(position, index), total };
    }
    return best;
  }

  /** What a staircase weighs that goes on with these; infinite when it is more than the most. */
  #totalWith(rest: readonly number[], most: number): number {
    for (const next of rest) {
      if (this.#partial.points >= most) return Infinity;
      this.#scorer.add(this.#partial, next);
    }
    return this.#partial.points >= most ? Infinity : this.#scorer.total(this.#partial);
  }

  #reordered(from: Weighed): Weighed {
    let best = from;
    const start = this.#scorer.start();
    const weigh = (list: readonly number[]): void => {
      this.#tries += 1;
      this.#partial.become(start);
      const total = this.#totalWith(list, best.total);
      if (total < best.total) best = { list, total };
    };
    for (let one = 0; one < from.list.length; one++)
      for (let other = 0; other < from.list.length; other++) {
        const { list } = best;
        if (one < other) weigh(list.with(one, list[other]!).with(other, list[one]!));
        if (Math.abs(one - other) > 1) weigh(list.toSpliced(one, 1).toSpliced(other, 0, list[one]!));
      }
    return best;
  }

  /** A tune or two put in at random: another start. */
  #shaken(list: readonly number[]): readonly number[] {
    let shaken = list;
    for (let round = 0; round < 2; round++) {
      const position = Math.floor(this.#random() * list.length);
      const index = this.#candidates[Math.floor(this.#random() * this.#candidates.length)]!;
      if (!shaken.includes(index) && !this.#fixed.has(position)) shaken = shaken.with(position, index);
    }
    return shaken;
  }
}

function isPinned(rules: StaircaseRules, id: string): boolean {
  return rules.pins.some(
    (pin) => pin.kind !== 'never' && (pin.tune === id || (pin.kind === 'before' && pin.then === id)),
  );
}

/** How many staircases of some steps there are. */
function partials(tunes: number, steps: number): number {
  let all = 1;
  for (let step = 0; step < Math.min(tunes, steps); step++) all *= tunes - step;
  return all;
}

/** Keeps a copy of a partial among the best of its lane, when it is one of them. */
function keepBest(
  lane: { readonly partial: PartialStaircase; readonly score: number }[],
  partial: PartialStaircase,
  score: number,
  most: number,
): void {
  if (lane.length === most && score >= lane[most - 1]!.score) return;
  const place = lane.findIndex((other) => other.score > score);
  lane.splice(place < 0 ? lane.length : place, 0, { partial: partial.copy(), score });
  if (lane.length > most) lane.pop();
}

/** What counts against a partial so far, its rises measured against a height that is aimed at. */
function scoreOf(partial: PartialStaircase, aim: number): number {
  const uneven = partial.rises.reduce((sum, rise) => sum + Math.abs(rise - aim), 0);
  return partial.points + AGAINST.uneven * uneven;
}
