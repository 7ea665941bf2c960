/** How a class has been heard so far, by lesson, step and outcome. */
export interface HeardPupil {
  readonly id: string;
  /** The pupil's first step, default 1; steps below it count as passed. */
  readonly startStep?: number;
  /** The pupil's first lesson, default 1. */
  readonly sinceLesson?: number;
  readonly results: readonly {
    /** Counted from 1. */
    readonly lesson: number;
    /** Counted from 1. */
    readonly step: number;
    readonly passed: boolean;
  }[];
}

/** What a class could be like: the usual chance, how alike pupils are in it, and how well that explains what came. */
export interface Guess {
  readonly chance: number;
  readonly alike: number;
  /** All weights together are 1. */
  readonly weight: number;
}

/** How often something came of how often it could. */
export interface Counted {
  readonly of: number;
  readonly came: number;
}

/** What the records say about how likely a hearing is to be passed, and how many there are in a lesson. */
export interface ClassRates {
  /** Guesses at the chance of a hearing to be passed. */
  readonly guesses: readonly Guess[];
  /** For each pupil the hearings, and those that were passed. */
  readonly pupils: readonly Counted[];
  /** For each step, how its odds differ from the usual: below 1 is harder. */
  readonly stepOdds: readonly number[];
  /** Hearings of each lesson that has been. */
  readonly heardByLesson: readonly number[];
  /** How much lessons differ in how well all play, as a spread of the logarithm of the odds. */
  readonly lessonSpread: number;
  /**
   * How those come to be heard who are: in `turn`, the longest wait first; by `lot`, as many each lesson; or `each` by
   * themselves, as often as it comes, so that a turn that one does not need goes to nobody else.
   */
  readonly hearing: 'turn' | 'lot' | 'each';
  /** In how many of their lessons on the stairs pupils were heard, and guesses at how likely that is. */
  readonly ownHearing: {
    readonly pupils: readonly Counted[];
    readonly guesses: readonly Guess[];
    /** How much lessons differ in how many are heard, as a spread of the logarithm. */
    readonly spread: number;
  };
}

const CHANCES = [0.02, 0.04, 0.08, 0.13, 0.19, 0.26, 0.34, 0.42, 0.5, 0.58, 0.66, 0.74, 0.81, 0.87, 0.92, 0.96];
/** As if each pupil had so many hearings of the usual kind behind them. */
const ALIKE = [1.5, 3, 6, 12, 24, 48, 96];
/** A step needs about so many hearings before it counts as harder or easier. */
const STEP_PRIOR = 12;
/** A lesson needs so many hearings to say something of lessons. */
const FEW_HEARINGS = 3;

/** Reads the rates of a class off its records. */
export function classRates(pupils: readonly HeardPupil[], steps: number, lessonsPast: number): ClassRates {
  const counts = pupils.map(({ results }): Counted => ({
    of: results.length,
    came: results.filter((result) => result.passed).length,
  }));
  const all = pupils.flatMap((pupil) => pupil.results);
  const usual = (all.filter((result) => result.passed).length + 1) / (all.length + 2);
  const heardByLesson = Array.from(
    { length: lessonsPast },
    (_, index) => all.filter((result) => result.lesson === index + 1).length,
  );
  return {
    guesses: guessesAt(counts),
    pupils: counts,
    stepOdds: Array.from({ length: steps }, (_, index) => {
      const onStep = all.filter((result) => result.step === index + 1);
      const passed = onStep.filter((result) => result.passed).length;
      const chance = (passed + STEP_PRIOR * usual) / (onStep.length + STEP_PRIOR);
      return odds(chance) / odds(usual);
    }),
    heardByLesson,
    lessonSpread: lessonSpread(pupils, counts, usual, lessonsPast),
    hearing: hearingWay(
      counts.map((count) => count.of),
      heardByLesson,
    ),
    ownHearing: ownHearing(pupils, steps, lessonsPast, heardByLesson),
  };
}

export function odds(chance: number): number {
  return chance / (1 - chance);
}

/** How well each guess explains what was heard: beta-binomial likelihoods, all guesses alike before. */
function guessesAt(counts: readonly Counted[]): readonly Guess[] {
  const logs = CHANCES.flatMap((chance) =>
    ALIKE.map((alike) => ({
      chance,
      alike,
      log: counts.reduce((all, { of, came }) => all + logLikelihood(of, came, chance * alike, alike), 0),
    })),
  );
  const highest = Math.max(...logs.map((log) => log.log));
  const weights = logs.map((log) => Math.exp(log.log - highest));
  const whole = sum(weights);
  return logs.map(({ chance, alike }, place) => ({ chance, alike, weight: weights[place]! / whole }));
}

/** Of something that came so often, when chances are spread as Beta(a, total − a). */
function logLikelihood(of: number, came: number, a: number, total: number): number {
  let log = 0;
  for (let one = 0; one < came; one++) log += Math.log(a + one);
  for (let one = 0; one < of - came; one++) log += Math.log(total - a + one);
  for (let one = 0; one < of; one++) log -= Math.log(total + one);
  return log;
}

/**
 * Lessons differ more than by chance when the passes of some are many and of others few: what is left of the variance
 * when chance is taken off, as a spread of the log odds; half of it is believed at four lessons.
 */
function lessonSpread(
  pupils: readonly HeardPupil[],
  counts: readonly Counted[],
  usual: number,
  lessonsPast: number,
): number {
  const expected = counts.map(({ of, came }) => (came + 4 * usual) / (of + 4));
  let over = 0;
  let weight = 0;
  let lessons = 0;
  for (let lesson = 1; lesson <= lessonsPast; lesson++) {
    const heard = pupils.flatMap((pupil, index) =>
      pupil.results
        .filter((result) => result.lesson === lesson)
        .map((result) => ({ ...result, chance: expected[index]! })),
    );
    if (heard.length < FEW_HEARINGS) continue;
    const difference = heard.reduce((sum, { passed, chance }) => sum + Number(passed) - chance, 0);
    const byChance = heard.reduce((sum, { chance }) => sum + chance * (1 - chance), 0);
    over += difference ** 2 - byChance;
    weight += byChance ** 2;
    lessons += 1;
  }
  if (weight === 0) return 0;
  return Math.sqrt(Math.max(0, (over / weight) * (lessons / (lessons + 4))));
}

/** Turns that differ less than by lot are taken in turn; as many in each lesson are drawn by lot. */
function hearingWay(byPupil: readonly number[], byLesson: readonly number[]): ClassRates['hearing'] {
  const share = mean(byPupil) / Math.max(1, byLesson.length);
  if (share === 0) return 'turn';
  if (variance(byPupil) < HALF * byLesson.length * share * (1 - share)) return 'turn';
  return variance(byLesson) < HALF * byPupil.length * share * (1 - share) ? 'lot' : 'each';
}

/** Less than half of the variance that chance alone would make. */
const HALF = 0.5;

function ownHearing(
  pupils: readonly HeardPupil[],
  steps: number,
  lessonsPast: number,
  byLesson: readonly number[],
): ClassRates['ownHearing'] {
  const own = pupils.map(({ results, sinceLesson = 1 }): Counted => {
    const passed = results.filter((result) => result.passed);
    const last = passed.reduce((latest, result) => Math.max(latest, result.lesson), 0);
    const isThrough = new Set(passed.map((result) => result.step)).size >= steps;
    const heardIn = new Set(results.map((result) => result.lesson)).size;
    return { of: Math.max(heardIn, (isThrough ? last : lessonsPast) - sinceLesson + 1), came: heardIn };
  });
  // By chance alone counts would differ about as much as their mean.
  const expected = mean(byLesson);
  const beyond = Math.max(0, variance(byLesson) - expected);
  return {
    pupils: own,
    guesses: guessesAt(own),
    spread: expected === 0 ? 0 : Math.min(1, Math.sqrt(beyond) / expected),
  };
}

function sum(numbers: readonly number[]): number {
  return numbers.reduce((total, number) => total + number, 0);
}

function mean(numbers: readonly number[]): number {
  return numbers.length === 0 ? 0 : sum(numbers) / numbers.length;
}

function variance(numbers: readonly number[]): number {
  const middle = mean(numbers);
  return mean(numbers.map((number) => (number - middle) ** 2));
}
