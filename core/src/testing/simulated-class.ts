import { RandomSource, type HeardPupil } from '../records/index.ts';

/** A class by known rates, to try forecasts on. */
export interface SimulatedClass {
  readonly pupils: readonly HeardPupil[];
  /** Steps passed a pupil on the average after each lesson, 0 before the first. */
  readonly came: readonly number[];
}

export interface Recipe {
  readonly pupils: number;
  readonly steps: number;
  readonly lessons: number;
  readonly heardPerLesson: number;
  /** The usual chance of a hearing to be passed. */
  readonly chance: number;
  /** How alike pupils are; small is very different. */
  readonly alike: number;
  /** 0 is even; with 1 some lessons are lost and others go twice as well. */
  readonly lumpy: number;
  /** Heard in turn, or by chance. */
  readonly inTurn: boolean;
  readonly seed: number;
}

export function simulatedClass(recipe: Recipe): SimulatedClass {
  const random = new RandomSource(recipe.seed);
  const chances = Array.from({ length: recipe.pupils }, () =>
    random.beta(recipe.chance * recipe.alike, (1 - recipe.chance) * recipe.alike),
  );
  const results = chances.map((): HeardPupil['results'][number][] => []);
  const at = chances.map(() => 1);
  let queue = chances.map((_, index) => index);
  const came = [0];
  for (let lesson = 1; lesson <= recipe.lessons; lesson++) {
    const isLost = random.next() < 0.2 * recipe.lumpy;
    const swing = Math.exp(0.6 * recipe.lumpy * random.normal());
    const more = 1 + 0.6 * recipe.lumpy * (2 * random.next() - 1);
    if (!recipe.inTurn) queue = shuffled(queue, random);
    const heard = isLost ? [] : queue.filter((pupil) => at[pupil]! <= recipe.steps);
    const turns = heard.slice(0, Math.round(recipe.heardPerLesson * more));
    for (const pupil of turns) {
      const good = (chances[pupil]! / (1 - chances[pupil]!)) * swing;
      const passed = random.next() < good / (1 + good);
      results[pupil]!.push({ lesson, step: at[pupil]!, passed });
      if (passed) at[pupil]! += 1;
    }
    queue = [...queue.filter((pupil) => !turns.includes(pupil)), ...turns];
    came.push(at.reduce((sum, step) => sum + step - 1, 0) / recipe.pupils);
  }
  return { pupils: results.map((result, index) => ({ id: `p${index}`, results: result })), came };
}

/** What was known of it after so many lessons. */
export function upToLesson(pupils: readonly HeardPupil[], lesson: number): readonly HeardPupil[] {
  return pupils.map(({ id, results }) => ({ id, results: results.filter((result) => result.lesson <= lesson) }));
}

/** Classes from weak to strong, even and lumpy, in turn and by chance. */
export function recipes(count: number, seed: number): readonly Recipe[] {
  const random = new RandomSource(seed);
  const between = (least: number, most: number): number => least + (most - least) * random.next();
  return Array.from({ length: count }, (_, index): Recipe => ({
    pupils: Math.round(between(18, 30)),
    steps: Math.round(between(6, 10)),
    lessons: 26,
    heardPerLesson: Math.round(between(5, 14)),
    chance: between(0.2, 0.85),
    alike: between(2, 20),
    lumpy: index % 3 === 0 ? between(0.2, 0.6) : 0,
    inTurn: index % 4 !== 1,
    seed: seed * 1000 + index,
  }));
}

function shuffled(list: readonly number[], random: RandomSource): number[] {
  const mixed = [...list];
  for (let place = mixed.length - 1; place > 0; place--) {
    const other = Math.floor(random.next() * (place + 1));
    [mixed[place], mixed[other]] = [mixed[other]!, mixed[place]!];
  }
  return mixed;
}
