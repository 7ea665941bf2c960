import { dayIn } from '@escalier/core/calendar';
import { forecastRequest, stepRules } from '@escalier/core/classes';
import {
  classTrends,
  type ClassForecast,
  type ClassTrends,
  type ForecastRequest,
  type RecordEvent,
} from '@escalier/core/records';
import type { ClassView } from '../classes/index.ts';
import { t } from './messages.ts';

/** Where the class will be on average: one in ten courses stays below the low line, nine in ten below the high one. */
export interface Fan {
  /** Lessons gone when it was made. */
  readonly from: number;
  /** One for each lesson from there on, the first at `from` itself. */
  readonly low: readonly number[];
  readonly middle: readonly number[];
  readonly high: readonly number[];
}

export interface TrendsOfClass extends ClassTrends {
  readonly lessonsHad: number;
  readonly lessonsLeft: number;
  /** Made from the first half of the lessons, to be compared with what came. */
  readonly then: Fan | null;
  /** From now to the end of the term. */
  readonly now: Fan;
}

/** A fan needs so many lessons to draw from. */
const ENOUGH_LESSONS = 4;

/** What is to be forecast for `trendsOf`: from the first half of the lessons, and from now; null where there is nothing to. */
export function fanRequests(page: ClassView, events: readonly RecordEvent[]): readonly (ForecastRequest | null)[] {
  const had = page.lessons.all.filter((lesson) => lesson.date <= page.today).length;
  const half = Math.floor(had / 2);
  return [half, had].map((known) =>
    known === half && half < ENOUGH_LESSONS
      ? null
      : forecastRequest(page, events, { perLesson: page.pace.perLesson, known }),
  );
}

/** How the class climbs, with the fan of courses that it may take, and the one it might have taken. */
export function trendsOf(
  page: ClassView,
  events: readonly RecordEvent[],
  [then, later]: readonly (ClassForecast | null)[],
): TrendsOfClass {
  const lessonsHad = page.lessons.all.filter((lesson) => lesson.date <= page.today).map((lesson) => lesson.date);
  const trends = classTrends({
    pupils: page.pupils
      .filter((pupil) => pupil.standing !== null)
      .map(({ id, startStep, joinedOn }) => ({ pupilId: id, startStepIndex: startStep - 1, joinedOn })),
    steps: stepRules(page.steps, page.style.teaching.parts),
    events,
    lessonsHad,
    dayOf: dayIn(page.timeZone),
  });
  const had = lessonsHad.length;
  const left = page.lessons.total - had;
  const half = Math.floor(had / 2);
  const fan = (forecast: ClassForecast | null | undefined, from: number, ahead: number): Fan => {
    const now = trends.came[from] ?? 0;
    const bands = (forecast?.mean ?? []).slice(0, ahead);
    // Steps below a late joiner's start count as passed there, and as nothing here.
    const below = page.pupils.reduce((sum, pupil) => sum + (pupil.standing === null ? 0 : pupil.startStep - 1), 0);
    const given = below / Math.max(1, forecast?.pupils.length ?? 1);
    const line = (of: (band: (typeof bands)[number]) => number): readonly number[] => [
      now,
      ...bands.map((band) => of(band) - given),
    ];
    return { from, low: line((band) => band.p10), middle: line((band) => band.p50), high: line((band) => band.p90) };
  };
  return {
    ...trends,
    lessonsHad: had,
    lessonsLeft: left,
    then: half >= ENOUGH_LESSONS ? fan(then, half, had - half) : null,
    now: fan(later, had, left),
  };
}

/** What came, against the fan of the first half, in a sentence. */
export function againstFan({ then, came, lessonsHad }: TrendsOfClass): string | null {
  if (then === null) return null;
  const at = came[lessonsHad] ?? 0;
  const [low, high] = [then.low.at(-1)!, then.high.at(-1)!];
  const steps = (value: number): string => value.toFixed(1);
  const said = t('trends.forecast-after-lesson-from-steps-to', {
    from: then.from,
    steps: steps(low),
    steps2: steps(high),
    steps3: steps(at),
  });
  if (at > high) return t('trends.said-faster-than-expected', { said });
  return at < low ? t('trends.said-slower-than-expected', { said }) : `${said}.`;
}
