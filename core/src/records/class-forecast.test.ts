import { describe, expect, it } from 'vitest';
import { forecastClass, type ForecastRequest } from './class-forecast.ts';
import type { HeardPupil } from './class-rates.ts';
import { recipes, simulatedClass, upToLesson } from '../testing/index.ts';

const pupil = (id: string, ...results: (readonly [lesson: number, step: number, passed: boolean])[]): HeardPupil => ({
  id,
  results: results.map(([lesson, step, passed]) => ({ lesson, step, passed })),
});

const request = (more: Partial<ForecastRequest>): ForecastRequest => ({
  steps: 4,
  lessonsPast: 6,
  lessonsLeft: 6,
  heardPerLesson: 3,
  runs: 500,
  seed: 1,
  pupils: [
    pupil('fast', [1, 1, true], [2, 2, true], [4, 3, true]),
    pupil('slow', [1, 1, false], [3, 1, false], [5, 1, false]),
    pupil('new'),
  ],
  ...more,
});

describe('where a class will stand', () => {
  it('begins at what has been passed and never goes down', () => {
    const { mean, steps } = forecastClass(request({}));
    expect(mean.map(({ lesson }) => lesson)).toEqual([7, 8, 9, 10, 11, 12]);
    for (const [index, band] of mean.entries()) {
      expect(band.p10).toBeGreaterThanOrEqual(1);
      expect(band.p10).toBeLessThanOrEqual(band.p50);
      expect(band.p50).toBeLessThanOrEqual(band.p90);
      expect(band.p90).toBeLessThanOrEqual(4);
      if (index > 0) expect(band.p50).toBeGreaterThanOrEqual(mean[index - 1]!.p50);
    }
    expect(steps).toHaveLength(4 * 6);
    expect(steps.every(({ step, p10 }) => step > 3 || p10 >= 1)).toBe(true);
  });

  it('gives who passes quickly a better chance, and what is passed is certain', () => {
    const { pupils } = forecastClass(request({}));
    const chance = (id: string, step: number): number =>
      pupils.find((pupil) => pupil.id === id)!.reach.find((each) => each.step === step)!.chance;
    expect(chance('fast', 3)).toBe(1);
    expect(chance('fast', 4)).toBeGreaterThan(chance('new', 1));
    expect(chance('new', 1)).toBeGreaterThan(chance('slow', 1));
    for (const { reach } of pupils)
      for (let step = 1; step < reach.length; step++)
        expect(reach[step]!.chance).toBeLessThanOrEqual(reach[step - 1]!.chance);
  });

  it('takes what lies below a start as passed', () => {
    const late = { ...pupil('late'), startStep: 3, sinceLesson: 5 };
    const { pupils } = forecastClass(request({ pupils: [...request({}).pupils, late] }));
    expect(pupils.at(-1)!.reach.slice(0, 2)).toEqual([
      { step: 1, chance: 1 },
      { step: 2, chance: 1 },
    ]);
  });

  it('is the same for the same seed', () => {
    expect(forecastClass(request({}))).toEqual(forecastClass(request({})));
    expect(forecastClass(request({ seed: 2 }))).not.toEqual(forecastClass(request({})));
  });

  it('goes further where more are heard', () => {
    const end = (heardPerLesson: number): number =>
      forecastClass(
        request({ lessonsPast: 0, pupils: ['a', 'b', 'c', 'd', 'e'].map((id) => pupil(id)), heardPerLesson }),
      ).mean.at(-1)!.p50;
    expect(end(1)).toBeLessThan(end(4));
  });

  it('names the step that takes longest', () => {
    // Two steps that go well, and a third at which all fail again and again.
    const pupils = Array.from({ length: 12 }, (_, index) =>
      pupil(
        `p${index}`,
        ...[1, 2].map((step) => [step, step, true] as const),
        ...[3, 4, 5, 6, 7, 8].map((lesson) => [lesson, 3, false] as const),
      ),
    );
    const { bottleneck } = forecastClass(request({ pupils, lessonsPast: 8, lessonsLeft: 20, heardPerLesson: 12 }));
    expect(bottleneck?.step).toBe(3);
  });

  it('has nothing to say of no lessons, and of nobody', () => {
    expect(forecastClass(request({ lessonsLeft: 0 }))).toMatchObject({ mean: [], steps: [], bottleneck: null });
    expect(forecastClass(request({ pupils: [] })).mean.at(-1)).toEqual({ lesson: 12, p10: 0, p50: 0, p90: 0 });
    const done = [pupil('a', [1, 1, true], [2, 2, true], [3, 3, true], [4, 4, true])];
    expect(forecastClass(request({ pupils: done })).mean[0]).toMatchObject({ p10: 4, p90: 4 });
  });
});

describe('tried on classes by known rates, weak and strong, even and lumpy', () => {
  const PAST = 9;
  const horizons = [4, 8, 17];
  const tried = recipes(300, 2).map((recipe) => {
    const { pupils, came } = simulatedClass(recipe);
    const { mean } = forecastClass({
      steps: recipe.steps,
      heardPerLesson: recipe.heardPerLesson,
      lessonsPast: PAST,
      lessonsLeft: 17,
      pupils: upToLesson(pupils, PAST),
      runs: 200,
      seed: recipe.seed,
    });
    const line = (lessons: number): number => Math.min(recipe.steps, (came[PAST]! * (PAST + lessons)) / PAST);
    return horizons.map((lessons) => ({ band: mean[lessons - 1]!, came: came[PAST + lessons]!, line: line(lessons) }));
  });

  it.each(horizons.map((lessons, index) => [lessons, index]))(
    'four of five end within the band after %i lessons',
    (_, index) => {
      const within = tried.filter((each) => {
        const { band, came } = each[index]!;
        return came >= band.p10 - 1e-9 && came <= band.p90 + 1e-9;
      });
      expect(within.length / tried.length).toBeGreaterThan(0.74);
      expect(within.length / tried.length).toBeLessThan(0.86);
    },
  );

  it('errs less than a straight line through the passes so far', () => {
    const all = tried.flat();
    const error = (of: (each: (typeof all)[number]) => number): number =>
      all.reduce((sum, each) => sum + Math.abs(of(each) - each.came), 0) / all.length;
    expect(error((each) => each.band.p50)).toBeLessThan(error((each) => each.line));
  });
});
