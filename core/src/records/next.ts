import type { Standing } from './standings.ts';

/** Fairness of a class: how many turns a lesson has, and within how many lessons everybody is heard. */
export interface HearingPace {
  readonly perLesson: number;
  readonly within: number;
}

export const QUEUE_REASONS = ['due', 'ready', 'waited', 'never', 'today'] as const;
export type QueueReason = (typeof QUEUE_REASONS)[number];

/** One who waits, and why just now. */
export interface QueuePlace {
  readonly pupilId: string;
  readonly reason: QueueReason;
  /** Lessons since the pupil was last heard, or came. */
  readonly lessons: number;
}

/**
 * After so many lessons without a hearing a pupil goes before everybody else. Those who are due at one time may be the
 * whole class but for one lesson's turns, and take a round: so `within` lessons hold whenever a round fits into them.
 */
export function dueAfter(pupils: number, { perLesson, within }: HearingPace): number {
  const round = Math.ceil(pupils / Math.max(1, perLesson));
  return Math.max(1, within - round + 1);
}

/**
 * Whom to hear first: those who are due, the longest wait first; then those who nearly passed; then the longest wait;
 * among equals who is nearest to where the class stands, and the order of the list. Who was heard today already comes
 * after all others. Who has finished waits for nobody.
 * @param all of the class, who are here.
 * @param lessonsWaited lessons since a pupil was last heard, or came.
 * @param classStep index of the step that the class works on.
 */
export function hearingQueue(
  all: readonly Standing[],
  lessonsWaited: (standing: Standing) => number,
  pace: HearingPace,
  classStep: number,
  heardToday: (standing: Standing) => boolean = () => false,
): readonly QueuePlace[] {
  const due = dueAfter(all.length, pace);
  return all
    .filter((standing) => standing.state !== 'finished')
    .map((standing, place) => {
      const lessons = lessonsWaited(standing);
      return {
        standing,
        place,
        lessons,
        reason: heardToday(standing) ? ('today' as const) : reasonOf(standing, lessons, due),
      };
    })
    .toSorted(
      (a, b) =>
        RANK[a.reason] - RANK[b.reason] ||
        b.lessons - a.lessons ||
        (a.standing.lastHeardAt ?? '').localeCompare(b.standing.lastHeardAt ?? '') ||
        Math.abs(a.standing.stepIndex - classStep) - Math.abs(b.standing.stepIndex - classStep) ||
        a.place - b.place,
    )
    .map(({ standing, reason, lessons }) => ({ pupilId: standing.pupilId, reason, lessons }));
}

const RANK: Readonly<Record<QueueReason, number>> = { due: 0, ready: 1, never: 2, waited: 2, today: 3 };

function reasonOf(standing: Standing, lessons: number, due: number): QueueReason {
  if (lessons >= due) return 'due';
  if (standing.state === 'nearly') return 'ready';
  return standing.lastHeardAt === null ? 'never' : 'waited';
}

/**
 * Lessons in which a pupil could have been heard and was not: after the day of the last hearing, or from the day of
 * joining, and before today.
 * @param dates of the class's lessons, in order; days as `2026-03-03`.
 */
export function lessonsWithout(
  dates: readonly string[],
  lastHeardOn: string | null,
  joinedOn: string,
  today: string,
): number {
  const isOpen = (date: string): boolean => (lastHeardOn === null ? date >= joinedOn : date > lastHeardOn);
  return dates.filter((date) => isOpen(date) && date < today).length;
}

/**
 * Rows and small groups: the front of the queue, each taken with those next in the queue who play the same step, so
 * that one playing hears them all. Nobody is left out and nobody comes twice.
 */
export function hearingGroups(
  queue: readonly string[],
  stepOf: (pupilId: string) => number,
  size: number,
): readonly (readonly string[])[] {
  const waiting = [...queue];
  const groups: string[][] = [];
  while (waiting.length > 0) {
    const step = stepOf(waiting[0]!);
    const group = waiting.filter((id) => stepOf(id) === step).slice(0, Math.max(1, size));
    groups.push(group);
    for (const id of group) waiting.splice(waiting.indexOf(id), 1);
  }
  return groups;
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
