import { dayIn } from '@escalier/core/calendar';
import { stepRules } from '@escalier/core/classes';
import { seeded } from '@escalier/core/practice';
import { classTrends, fanOf, type ClassTrends, type Fan, type RecordEvent } from '@escalier/core/records';
import type { ClassView } from '../classes/index.ts';

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
const SEED = 11;

/** How the class climbs, with the fan of courses that it may take, and the one it might have taken. */
export function trendsOf(page: ClassView, events: readonly RecordEvent[]): TrendsOfClass {
  const lessonsHad = page.lessons.all.filter((lesson) => lesson.date <= page.today).map((lesson) => lesson.date);
  const trends = classTrends({
    pupils: page.pupils
      .filter((pupil) => pupil.standing !== null)
      .map(({ id, startStep, joinedOn }) => ({ pupilId: id, startStepIndex: startStep - 1, joinedOn })),
    steps: stepRules(page.steps),
    events,
    lessonsHad,
    dayOf: dayIn(page.timeZone),
  });
  const had = lessonsHad.length;
  const left = page.lessons.total - had;
  const half = Math.floor(had / 2);
  const fan = (from: number, ahead: number): Fan => fanOf(trends.came, from, ahead, page.steps.length, seeded(SEED));
  return {
    ...trends,
    lessonsHad: had,
    lessonsLeft: left,
    then: half >= ENOUGH_LESSONS ? fan(half, had - half) : null,
    now: fan(had, left),
  };
}

/** What came, against the fan of the first half, in a sentence. */
export function againstFan({ then, came, lessonsHad }: TrendsOfClass): string | null {
  if (then === null) return null;
  const at = came[lessonsHad] ?? 0;
  const [low, high] = [then.low.at(-1)!, then.high.at(-1)!];
  const steps = (value: number): string => value.toFixed(1);
  const said = `Predicted after lesson ${then.from}: ${steps(low)} to ${steps(high)}; actual ${steps(at)}`;
  if (at > high) return `${said}, faster than expected.`;
  return at < low ? `${said}, slower than expected.` : `${said}.`;
}
