import type { Knowledge } from '../reading/index.ts';
import { toTenths } from './rise.ts';

/** A teacher's wish. Steps are counted from 1. */
export type Pin =
  | { readonly kind: 'at'; readonly tune: string; readonly step: number }
  /** At this step or below. */
  | { readonly kind: 'by'; readonly tune: string; readonly step: number }
  | { readonly kind: 'never'; readonly tune: string }
  /** Both, the first one below. */
  | { readonly kind: 'before'; readonly tune: string; readonly then: string };

export interface StaircaseRules {
  /** Written notes in the order in which they are to come; empty when any order will do. */
  readonly order: readonly string[];
  readonly knows: Knowledge;
  readonly pins: readonly Pin[];
  /** Steps wanted. */
  readonly steps: number;
}

/**
 * What counts against a staircase, in points; a point is a point of rise. The sum is the objective: the less, the better.
 * docs/develop/staircase.md says why.
 */
export const AGAINST = {
  /** Each point by which a step rises more or less than the middle one. */
  uneven: 1,
  /** Each note, rhythm or sign beyond the first that a step brings. */
  crowded: 1,
  /** Each new note beyond the first, besides, in the very first tune of beginners. */
  twoNotes: 3,
  /** The same in every other step. */
  twoNotesLater: 8,
  /** Each step, but the very first of beginners, that brings a note and a rhythm together. */
  noteAndRhythm: 2,
  /** Each note of the order that a new note overtakes. */
  order: 8,
  /** Each new note that is not in the order. */
  outside: 12,
  /** Each note of the order that never comes. */
  missing: 9,
  /** Each new note that comes only once in its tune. */
  once: 2,
  /** Each new note that the next two steps do not use. */
  notAgain: 3,
  /** Each note by which a step uses fewer than half of those that were learned; four are always enough. */
  leaves: 3,
  /** Each point by which a step's tune is easier than the one before, beyond the first two. */
  stepsDown: 1,
  /** Each hard new move to or from a note that is new as well. */
  hardMove: 0.5,
  /** Each step after two others with nothing new but moves. */
  idle: 2,
  /** Each step in the metre of the two before it. */
  metre: 0.5,
  /** Each step in the key of the two before it. */
  key: 0.5,
  /** Each step that shares a mood with the two before it. */
  mood: 0.25,
  /** Each wish that is not met, each step too few, each note that the instrument does not have. */
  refused: 1000,
} as const;

export type Against = keyof typeof AGAINST;

export interface Objective {
  readonly total: number;
  readonly parts: Readonly<Record<Against, number>>;
}

/** From this cost on a move is hard: three fingers at once, in both hands. */
export const HARD_MOVE = 3.3;

/** A tune that uses so many notes leaves out none too many, however many are known. */
export const ENOUGH_NOTES = 4;

/** A step may be easier than the one before by so many points. */
export const LITTLE_DOWN = 2;

/** So many steps after it a new note has to come again. */
export const AGAIN_WITHIN = 2;

export const PARTS = Object.keys(AGAINST) as readonly Against[];

const POINTS = PARTS.map((part) => AGAINST[part]);

/** What counts against a staircase, in points, and the sum. @param counts how often each part comes, in the order of PARTS. */
export function objectiveOf(counts: ArrayLike<number>): Objective {
  const parts = Object.fromEntries(PARTS.map((part, place) => [part, toHundredths(AGAINST[part] * counts[place]!)]));
  return { total: totalOf(counts), parts: parts as Objective['parts'] };
}

export function totalOf(counts: ArrayLike<number>): number {
  let total = 0;
  for (let place = 0; place < POINTS.length; place++) total += POINTS[place]! * counts[place]!;
  return toHundredths(total);
}

/** How far rises are from the middle one, all together. */
export function fromMiddle(rises: readonly number[]): number {
  const sorted = Float64Array.from(rises).sort();
  const middle = sorted[sorted.length >> 1] ?? 0;
  let sum = 0;
  for (const rise of sorted) sum += Math.abs(rise - middle);
  return toTenths(sum);
}

function toHundredths(points: number): number {
  return Math.round(points * 100) / 100;
}
