import { classRates, odds, type ClassRates, type Counted, type Guess, type HeardPupil } from './class-rates.ts';
import { RandomSource } from './random-source.ts';

export interface ForecastRequest {
  readonly steps: number;
  readonly lessonsPast: number;
  readonly lessonsLeft: number;
  /** Pupils who can be heard in a lesson to come. */
  readonly heardPerLesson: number;
  /** Hearing-rate multiplier for future lessons; default 1. */
  readonly turns?: number;
  readonly pupils: readonly HeardPupil[];
  readonly runs: number;
  readonly seed: number;
}

/** The 10th, 50th and 90th percentile of all simulated terms. */
export interface Band {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

export interface ClassForecast {
  /** Steps passed a pupil, averaged over the class, after each lesson to come; lessons are counted from 1. */
  readonly mean: readonly ({ readonly lesson: number } & Band)[];
  /** Pupils who have passed each step after each lesson to come. */
  readonly steps: readonly ({ readonly step: number; readonly lesson: number } & Band)[];
  readonly pupils: readonly {
    readonly id: string;
    /** The chance to have passed each step by the last lesson. */
    readonly reach: readonly { readonly step: number; readonly chance: number }[];
  }[];
  /** The step on which pupils to come will stay longest, in lessons; null when nobody will come through any. */
  readonly bottleneck: { readonly step: number; readonly lessons: number; readonly usual: number } | null;
}

/** The plan's number of hearings counts like so many lessons that have been. */
const PLAN_WEIGHT = 0.5;
const MOST_LIKELY = 0.98;
/** What is to come is not quite like what has been: a spread of the logarithm of the odds, for a course as a whole. */
const DRIFT = 0.06;

/**
 * Where a class will stand, from many courses of the lessons to come. For each course the class and each pupil get a
 * chance to pass a hearing, drawn from what fits the records: few records leave it wide. In each lesson as many are heard
 * as in one that has been or as planned; who has waited longest comes first, or whoever comes, as it was so far.
 * The same request gives the same forecast.
 */
export function forecastClass(request: ForecastRequest): ClassForecast {
  const courses = new Courses(request);
  for (let run = 0; run < request.runs; run++) courses.run();
  return courses.result();
}

class Courses {
  readonly #request: ForecastRequest;
  readonly #rates: ClassRates;
  readonly #random: RandomSource;
  /** For each pupil the steps to come, in order. */
  readonly #open: readonly Int32Array[];
  readonly #passedBefore: readonly number[];
  readonly #queue: readonly number[];
  /** The share of lessons like each that has been, up to each; the planned one is the last. */
  readonly #lessonsUpTo: Float64Array;
  readonly #chances: Float64Array;
  readonly #heardChances: Float64Array;
  readonly #at: Int32Array;
  readonly #waiting: Int32Array;
  readonly #passed: Int32Array;
  readonly #cameIn: Int32Array;
  readonly #meanCounts: Int32Array;
  readonly #stepCounts: Int32Array;
  readonly #endCounts: Int32Array;
  readonly #stayed: Float64Array;
  readonly #stays: Int32Array;
  readonly #most: number;
  #drift = 1;

  constructor(request: ForecastRequest) {
    const { pupils, steps, lessonsPast, lessonsLeft, seed } = request;
    this.#request = request;
    this.#rates = classRates(pupils, steps, lessonsPast);
    this.#random = new RandomSource(seed);
    const passed = pupils.map(
      ({ results, startStep = 1 }) =>
        new Set([
          ...Array.from({ length: startStep - 1 }, (_, index) => index + 1),
          ...results.filter((result) => result.passed).map((result) => result.step),
        ]),
    );
    this.#open = passed.map((done) =>
      Int32Array.from(Array.from({ length: steps }, (_, index) => index).filter((index) => !done.has(index + 1))),
    );
    this.#passedBefore = Array.from(
      { length: steps },
      (_, index) => passed.filter((done) => done.has(index + 1)).length,
    );
    const last = pupils.map(({ results }) => results.reduce((latest, result) => Math.max(latest, result.lesson), 0));
    this.#queue = [...pupils.keys()].toSorted((a, b) => last[a]! - last[b]! || a - b);
    this.#lessonsUpTo = new Float64Array(lessonsPast + 1);
    this.#chances = new Float64Array(pupils.length);
    this.#heardChances = new Float64Array(pupils.length);
    this.#at = new Int32Array(pupils.length);
    this.#waiting = new Int32Array(pupils.length);
    this.#cameIn = new Int32Array(pupils.length);
    this.#passed = new Int32Array(steps);
    this.#most = pupils.length * steps + 1;
    this.#meanCounts = new Int32Array(lessonsLeft * this.#most);
    this.#stepCounts = new Int32Array(steps * lessonsLeft * (pupils.length + 1));
    this.#endCounts = new Int32Array(pupils.length * (steps + 1));
    this.#stayed = new Float64Array(steps);
    this.#stays = new Int32Array(steps);
  }

  run(): void {
    const { steps, lessonsLeft, pupils } = this.#request;
    this.#begin();
    let together = this.#passedBefore.reduce((sum, each) => sum + each, 0);
    for (let lesson = 0; lesson < lessonsLeft; lesson++) {
      together += this.#lesson(lesson);
      this.#meanCounts[lesson * this.#most + together]! += 1;
      for (let step = 0; step < steps; step++)
        this.#stepCounts[(step * lessonsLeft + lesson) * (pupils.length + 1) + this.#passed[step]!]! += 1;
    }
    for (let pupil = 0; pupil < pupils.length; pupil++) this.#endCounts[pupil * (steps + 1) + this.#at[pupil]!]! += 1;
  }

  /** Draws the class and its pupils. */
  #begin(): void {
    const { guesses, pupils, hearing, ownHearing } = this.#rates;
    this.#draw(this.#chances, guesses, pupils);
    if (hearing === 'each') this.#draw(this.#heardChances, ownHearing.guesses, ownHearing.pupils);
    this.#waiting.set(this.#queue);
    this.#drift = Math.exp(DRIFT * this.#random.normal());
    this.#drawLessons();
    this.#at.fill(0);
    this.#cameIn.fill(0);
    this.#passed.set(this.#passedBefore);
  }

  /** Draws what the class is like, and with it a chance for each pupil. */
  #draw(chances: Float64Array, guesses: readonly Guess[], counted: readonly Counted[]): void {
    let draw = this.#random.next();
    const { chance, alike } = guesses.find(({ weight }) => (draw -= weight) < 0) ?? guesses[0]!;
    for (let pupil = 0; pupil < chances.length; pupil++) {
      const { of, came } = counted[pupil]!;
      chances[pupil] = this.#random.beta(chance * alike + came, (1 - chance) * alike + of - came);
    }
  }

  /** @returns how many passed a step. */
  #lesson(lesson: number): number {
    const spread = this.#rates.lessonSpread;
    const lessonOdds = this.#drift * (spread === 0 ? 1 : Math.exp(spread * this.#random.normal()));
    return this.#rates.hearing === 'each' ? this.#eachAlone(lesson, lessonOdds) : this.#fromQueue(lesson, lessonOdds);
  }

  /** Who is heard goes to the end of the queue; who has finished is passed over and stays behind. */
  #fromQueue(lesson: number, lessonOdds: number): number {
    const turns = this.#turns();
    if (this.#rates.hearing === 'lot') this.#shuffle();
    const back = this.#back;
    back.length = 0;
    let passes = 0;
    let kept = 0;
    for (let place = 0; place < this.#waiting.length; place++) {
      const pupil = this.#waiting[place]!;
      if (back.length >= turns || this.#isThrough(pupil)) {
        this.#waiting[kept] = pupil;
        kept += 1;
        continue;
      }
      back.push(pupil);
      if (this.#hear(pupil, lesson, lessonOdds)) passes += 1;
    }
    for (const pupil of back) {
      this.#waiting[kept] = pupil;
      kept += 1;
    }
    return passes;
  }

  /** Everybody is heard as often as before. */
  #eachAlone(lesson: number, lessonOdds: number): number {
    const { spread } = this.#rates.ownHearing;
    const { turns = 1 } = this.#request;
    const swing = spread === 0 ? 1 : Math.exp(spread * this.#random.normal() - spread ** 2 / 2);
    let passes = 0;
    for (let pupil = 0; pupil < this.#at.length; pupil++) {
      if (this.#isThrough(pupil)) continue;
      if (this.#random.next() >= Math.min(MOST_LIKELY, this.#heardChances[pupil]! * swing * this.#drift * turns))
        continue;
      if (this.#hear(pupil, lesson, lessonOdds)) passes += 1;
    }
    return passes;
  }

  #isThrough(pupil: number): boolean {
    return this.#at[pupil]! >= this.#open[pupil]!.length;
  }

  /** @returns whether the step was passed. */
  #hear(pupil: number, lesson: number, lessonOdds: number): boolean {
    const step = this.#open[pupil]![this.#at[pupil]!]!;
    const better = odds(this.#chances[pupil]!) * this.#rates.stepOdds[step]! * lessonOdds;
    if (this.#random.next() >= better / (1 + better)) return false;
    this.#at[pupil]! += 1;
    this.#passed[step]! += 1;
    this.#stayed[step]! += lesson + 1 - this.#cameIn[pupil]!;
    this.#stays[step]! += 1;
    this.#cameIn[pupil] = lesson + 1;
    return true;
  }

  readonly #back: number[] = [];

  /** As many as in a lesson that has been, or as planned. */
  #turns(): number {
    const draw = this.#random.next() * this.#lessonsUpTo.at(-1)!;
    let lesson = 0;
    while (this.#lessonsUpTo[lesson]! < draw) lesson += 1;
    const before = this.#rates.heardByLesson[lesson];
    return before === undefined ? this.#request.heardPerLesson : Math.round(before * (this.#request.turns ?? 1));
  }

  /** How often each lesson that has been will be like one to come: even on the average, and drawn anew for each course. */
  #drawLessons(): void {
    let upTo = 0;
    for (let lesson = 0; lesson < this.#lessonsUpTo.length; lesson++) {
      const isPlan = lesson === this.#lessonsUpTo.length - 1;
      upTo -= Math.log(1 - this.#random.next()) * (isPlan ? PLAN_WEIGHT : 1);
      this.#lessonsUpTo[lesson] = upTo;
    }
  }

  #shuffle(): void {
    const size = this.#waiting.length;
    for (let place = 0; place < size - 1; place++) {
      const other = place + Math.floor(this.#random.next() * (size - place));
      const pupil = this.#waiting[place]!;
      this.#waiting[place] = this.#waiting[other]!;
      this.#waiting[other] = pupil;
    }
  }

  result(): ClassForecast {
    const { pupils, steps, lessonsPast, lessonsLeft, runs } = this.#request;
    const lessons = Array.from({ length: lessonsLeft }, (_, index) => index);
    const band = (counts: Int32Array, from: number, size: number, scale: number): Band => {
      const at = (share: number): number => quantile(counts, from, size, share * runs) / scale;
      return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
    };
    return {
      mean: lessons.map((lesson) => ({
        lesson: lessonsPast + lesson + 1,
        ...band(this.#meanCounts, lesson * this.#most, this.#most, Math.max(1, pupils.length)),
      })),
      steps: Array.from({ length: steps }, (_, step) =>
        lessons.map((lesson) => ({
          step: step + 1,
          lesson: lessonsPast + lesson + 1,
          ...band(this.#stepCounts, (step * lessonsLeft + lesson) * (pupils.length + 1), pupils.length + 1, 1),
        })),
      ).flat(),
      pupils: pupils.map(({ id }, pupil) => ({ id, reach: this.#reach(pupil) })),
      bottleneck: this.#bottleneck(),
    };
  }

  #reach(pupil: number): readonly { readonly step: number; readonly chance: number }[] {
    const { steps, runs } = this.#request;
    const open = [...this.#open[pupil]!];
    return Array.from({ length: steps }, (_, step) => {
      const place = open.indexOf(step);
      if (place < 0) return { step: step + 1, chance: 1 };
      let beyond = 0;
      for (let end = place + 1; end <= open.length; end++) beyond += this.#endCounts[pupil * (steps + 1) + end]!;
      return { step: step + 1, chance: beyond / runs };
    });
  }

  #bottleneck(): ClassForecast['bottleneck'] {
    const { steps, runs, pupils } = this.#request;
    // A step that hardly anybody comes through says little.
    const known = Array.from({ length: steps }, (_, step) => ({ step: step + 1, stays: this.#stays[step]! }))
      .filter(({ stays }) => stays > 0.1 * runs * Math.min(1, pupils.length))
      .map(({ step, stays }) => ({ step, lessons: toTenths(this.#stayed[step - 1]! / stays) }));
    const [longest, ...others] = known.toSorted((a, b) => b.lessons - a.lessons);
    if (longest === undefined) return null;
    const usual = others[Math.floor(others.length / 2)]?.lessons ?? longest.lessons;
    return { ...longest, usual };
  }
}

/** The smallest value up to which at least so many were counted. */
function quantile(counts: Int32Array, from: number, size: number, least: number): number {
  let seen = 0;
  for (let value = 0; value < size; value++) {
    seen += counts[from + value]!;
    if (seen >= least && seen > 0) return value;
  }
  return 0;
}

function toTenths(value: number): number {
  return Math.round(value * 10) / 10;
}
