import type { Standing } from './standings.ts';

/**
 * Whom to hear first: those who nearly passed, then those who have waited longest (never heard before all), then by
 * their place in the list. Pupils who have finished wait for nobody.
 */
export function hearingOrder(all: readonly Standing[]): readonly Standing[] {
  const place = new Map(all.map((standing, index) => [standing.pupilId, index]));
  return all
    .filter((standing) => standing.state !== 'finished')
    .toSorted(
      (a, b) =>
        Number(b.state === 'nearly') - Number(a.state === 'nearly') ||
        (a.lastHeardAt ?? '').localeCompare(b.lastHeardAt ?? '') ||
        place.get(a.pupilId)! - place.get(b.pupilId)!,
    );
}

/**
 * How many from the front of a queue can be heard in the minutes that are left.
 * @param seconds of one turn for each in the queue, in order: the tune, the change and the talk.
 */
export function fitInto(seconds: readonly number[], minutes: number): number {
  let left = minutes * 60;
  const stop = seconds.findIndex((turn) => (left -= turn) < 0);
  return stop < 0 ? seconds.length : stop;
}

export interface GoOn {
  readonly passed: number;
  readonly of: number;
  /** Whole percent. */
  readonly share: number;
  readonly ruleShare: number;
  readonly goOn: boolean;
}

/** Whether enough of the class have passed a step to go on to the next, by the class's own rule in percent. */
export function goOnFrom(all: readonly Standing[], stepIndex: number, ruleShare: number): GoOn {
  const passed = all.filter((standing) => standing.stepIndex > stepIndex).length;
  const share = all.length === 0 ? 0 : Math.round((100 * passed) / all.length);
  return { passed, of: all.length, share, ruleShare, goOn: all.length > 0 && 100 * passed >= ruleShare * all.length };
}
