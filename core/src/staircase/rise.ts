/**
 * How much harder a step is than what the class had before: a sum of what is new, each part shown.
 * A consolidation step brings nothing new and still rises a little, because it is another tune to learn.
 */
export interface Rise {
  readonly total: number;
  readonly parts: readonly RisePart[];
}

export interface RisePart {
  readonly of: 'tune' | 'notes' | 'moves' | 'rhythm' | 'signs';
  readonly count: number;
  readonly points: number;
}

/** Points for each new thing. A new move counts by its cost: B to A is 1. */
export const RISE_POINTS = { tune: 1, note: 2, moveCost: 0.3, element: 1, sign: 0.5 } as const;

/** The total of a rise, without its parts. @param moveCosts what all new moves cost together. */
export function riseTotal(notes: number, moveCosts: number, elements: number, signs: number): number {
  return toTenths(
    RISE_POINTS.tune +
      notes * RISE_POINTS.note +
      toTenths(moveCosts * RISE_POINTS.moveCost) +
      elements * RISE_POINTS.element +
      signs * RISE_POINTS.sign,
  );
}

/** @param news how many notes, rhythm elements and signs are new, and what each new move costs. */
export function riseOf(news: {
  readonly notes: number;
  readonly elements: number;
  readonly signs: number;
  readonly moveCosts: readonly number[];
}): Rise {
  const moveCosts = news.moveCosts.reduce((total, cost) => total + cost, 0);
  const parts: readonly RisePart[] = [
    { of: 'tune', count: 1, points: RISE_POINTS.tune },
    { of: 'notes', count: news.notes, points: news.notes * RISE_POINTS.note },
    { of: 'moves', count: news.moveCosts.length, points: toTenths(moveCosts * RISE_POINTS.moveCost) },
    { of: 'rhythm', count: news.elements, points: news.elements * RISE_POINTS.element },
    { of: 'signs', count: news.signs, points: news.signs * RISE_POINTS.sign },
  ];
  return { total: riseTotal(news.notes, moveCosts, news.elements, news.signs), parts };
}

/** Points are shown with one decimal, and added as they are shown. */
export function toTenths(points: number): number {
  return Math.round(points * 10) / 10;
}
