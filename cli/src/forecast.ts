import { z } from 'zod';
import { forecastClass, OUTCOMES, type ClassForecast } from '@escalier/core/records';
import { BadInput, type Command } from './command.ts';
import { jsonFromFile } from './files.ts';
import { wholeNumber } from './options.ts';
import { t } from './messages.ts';

const whole = (least: number, most: number) => z.int().min(least).max(most);

const MOST_STEPS = 100;
const MOST_LESSONS = 400;
const lesson = whole(1, MOST_LESSONS);

/** What has been recorded of a class; lessons and steps are counted from 1. */
const classFile = z
  .object({
    steps: whole(1, MOST_STEPS),
    lessonsPast: whole(0, MOST_LESSONS),
    lessonsLeft: whole(0, MOST_LESSONS),
    heardPerLesson: whole(0, 200),
    pupils: z
      .array(
        z.object({
          id: z.string().min(1),
          results: z.array(z.object({ lesson, step: whole(1, MOST_STEPS), outcome: z.enum(OUTCOMES) })).max(2000),
        }),
      )
      .max(200),
  })
  .refine(
    ({ lessonsPast, pupils }) => pupils.every((pupil) => pupil.results.every((result) => result.lesson <= lessonsPast)),
    {
      message: t('forecast.a-result-is-of-a-lesson'),
    },
  )
  .refine(({ steps, pupils }) => pupils.every((pupil) => pupil.results.every((result) => result.step <= steps)), {
    message: t('forecast.a-result-is-of-a-step'),
  });

type ClassFile = z.infer<typeof classFile>;

const RUNS = 10_000;

export const forecast: Command = {
  usage: t('forecast.forecast-file-runs-10000-seed-1-2'),
  about: t('forecast.where-the-pupils-of-a-class'),
  example: t('forecast.forecast-class-json-runs-10000-seed'),
  options: ['runs', 'seed'],
  async run([file, ...rest], options) {
    if (file === undefined || rest.length > 0) throw new BadInput(t('forecast.give-one-file-with-a-class'));
    const runs = wholeNumber(options.runs, t('forecast.number-of-runs'), 10, 1_000_000) ?? RUNS;
    const seed = wholeNumber(options.seed, 'seed', 0, 2 ** 31) ?? 1;
    const read = await jsonFromFile(file);
    const classes = (Array.isArray(read) ? read : [read]).map((each, index, all) =>
      checked(each, all.length > 1 ? index : null),
    );
    const answers = classes.map((each) => forecastOf(each, runs, seed));
    return {
      text: answers.map((answer, index) => inWords(answer, classes[index]!)).join('\n\n'),
      json: Array.isArray(read) ? answers : answers[0],
    };
  },
};

function checked(content: unknown, index: number | null): ClassFile {
  const read = classFile.safeParse(content);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  const where = [...(index === null ? [] : [index]), ...issue!.path].join('.');
  throw new BadInput(
    t('forecast.the-class-cannot-be-read-value', {
      place: where === '' ? '' : ` at ${where}`,
      message: issue!.message,
    }),
  );
}

function forecastOf({ pupils, ...rest }: ClassFile, runs: number, seed: number): ClassForecast {
  const heard = pupils.map(({ id, results }) => ({
    id,
    results: results.map(({ outcome, ...result }) => ({ ...result, passed: outcome === 'passed' })),
  }));
  return forecastClass({ ...rest, pupils: heard, runs, seed });
}

function inWords({ mean, pupils, bottleneck }: ClassForecast, { steps }: ClassFile): string {
  const last = mean.at(-1);
  const tenths = (value: number): string => value.toFixed(1);
  return [
    last === undefined
      ? t('forecast.no-lessons-are-left')
      : t('forecast.by-lesson-lesson-tenths-of-steps', {
          lesson: last.lesson,
          tenths: tenths(last.p50),
          steps,
          tenths2: tenths(last.p10),
          tenths3: tenths(last.p90),
        }),
    ...(bottleneck === null
      ? []
      : [
          t('forecast.longest-at-step-step-lessons-lessons', {
            step: bottleneck.step,
            lessons: bottleneck.lessons,
            usual: bottleneck.usual,
          }),
        ]),
    ...pupils.map(({ id, reach }) => {
      const chances = reach
        .filter(({ chance }) => chance < 1)
        .map(({ step, chance }) => `${step}: ${Math.round(100 * chance)} %`);
      return `${id}: ${chances.length === 0 ? t('forecast.all-steps-passed') : chances.join(', ')}`;
    }),
  ].join('\n');
}
