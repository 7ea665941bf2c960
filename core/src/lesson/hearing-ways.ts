import { capacity, USUAL_CHANGEOVER, USUAL_PAUSE, USUAL_TALK, type HearingWay } from '../calendar/index.ts';
import { turnsOf, type LessonFacts, type LessonPlan } from './plan.ts';

/** How else everybody who waits can be heard. */
export interface OtherWay {
  readonly way: 'rows' | 'recordings' | 'hearing-lesson';
  /** Of the lessons; of an evening where recordings are listened to. */
  readonly minutes: number;
  /** In how many lessons all have been heard; 0 where it takes no lesson. */
  readonly lessons: number;
  /** Rows to hear; 0 where nobody plays in a row. */
  readonly rows: number;
  /** How that came about, a line each. */
  readonly sums: readonly string[];
}

/** What the hearing part of a lesson reaches. */
export interface HearingReach {
  readonly waiting: number;
  readonly reached: number;
  /** Lessons like this one until all who wait have been heard; null where none of them fits in. */
  readonly lessons: number | null;
  /** Empty where all are reached. */
  readonly ways: readonly OtherWay[];
}

/** Pupils who play together and can still be told apart. */
export const ROW = 4;
/** What comes in and goes out in a lesson that is all hearing, in minutes. */
const AROUND_HEARING = 5;
const EVENING_MINUTES = 30;

/**
 * Whom the hearing of a lesson reaches, and with what sums everybody else could be heard. Null for a lesson in which
 * nobody is heard or nobody waits.
 */
export function hearingReach(plan: LessonPlan, facts: LessonFacts): HearingReach | null {
  const block = plan.blocks.find(({ kind }) => kind === 'hearing');
  const turns = turnsOf(facts);
  if (block === undefined || turns.length === 0) return null;
  const reached = block.slots?.length ?? 0;
  const waiting = turns.length;
  if (reached >= waiting) return { waiting, reached, lessons: 1, ways: [] };
  const tunes = turns.map(({ seconds }) => Math.max(0, seconds - USUAL_PAUSE));
  const usual = tunes.reduce((sum, seconds) => sum + seconds, 0) / waiting;
  const sumsOf = (way: HearingWay, tuneSeconds: number, minutes: number) =>
    capacity({
      way,
      tuneSeconds,
      minutes,
      pupils: waiting,
      changeoverSeconds: USUAL_CHANGEOVER,
      talkSeconds: USUAL_TALK,
    });
  const rows = Math.ceil(waiting / ROW);
  // A row is as long as its longest tune.
  const inRows = sumsOf({ kind: 'group', size: ROW }, Math.max(...tunes), block.minutes);
  const recorded = sumsOf({ kind: 'recording' }, usual, EVENING_MINUTES);
  const alone = sumsOf({ kind: 'alone' }, usual, Math.max(1, plan.minutes - AROUND_HEARING));
  const all: readonly (Omit<OtherWay, 'lessons'> & { readonly lessons: number | null })[] = [
    { way: 'rows', minutes: minutesOf(rows, inRows), lessons: inRows.lessons, rows, sums: inRows.sums },
    { way: 'recordings', minutes: minutesOf(waiting, recorded), lessons: 0, rows: 0, sums: recorded.sums.slice(0, 1) },
    { way: 'hearing-lesson', minutes: minutesOf(waiting, alone), lessons: alone.lessons, rows: 0, sums: alone.sums },
  ];
  const ways = all.flatMap(({ lessons, ...way }) => (lessons === null ? [] : [{ ...way, lessons }]));
  return { waiting, reached, lessons: reached === 0 ? null : Math.ceil(waiting / reached), ways };
}

const minutesOf = (turns: number, { secondsPerTurn }: { readonly secondsPerTurn: number }): number =>
  Math.ceil((turns * secondsPerTurn) / 60);
