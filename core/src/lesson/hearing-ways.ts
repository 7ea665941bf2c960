import { turnsOf, type LessonFacts, type LessonPlan } from './plan.ts';

/** How else everybody can be heard. */
export const HEARING_WAYS = ['rows', 'recordings', 'hearing-lesson'] as const;

export interface HearingWay {
  readonly way: (typeof HEARING_WAYS)[number];
  /** Of the lessons; of an evening where recordings are listened to. */
  readonly minutes: number;
  /** In how many lessons all have been heard; 0 where it takes no lesson. */
  readonly lessons: number;
  /** Rows to hear; 0 where nobody plays in a row. */
  readonly rows: number;
}

/** What the hearing part of a lesson reaches. */
export interface HearingReach {
  readonly waiting: number;
  readonly reached: number;
  /** Lessons like this one until all who wait have been heard; null where none of them fits in. */
  readonly lessons: number | null;
  /** Empty where all are reached. */
  readonly ways: readonly HearingWay[];
}

/** Pupils who play together and can still be told apart. */
export const ROW = 4;
/** Seconds for each pupil of a row beside the first: a look and a mark. */
const MARK_SECONDS = 8;
/** What comes in and goes out in a lesson that is all hearing, in minutes. */
const AROUND_HEARING = 5;
/** Seconds of an evening for each recording beside the tune itself. */
const ANSWER_SECONDS = 20;
/**
 * Whom the hearing of a lesson reaches, and with what sums everybody else could be heard. Null for a lesson in which
 * nobody is heard or nobody waits.
 * @param pause what of a turn is not the tune, in seconds: the change and the talk.
 */
export function hearingReach(plan: LessonPlan, facts: LessonFacts, pause: number): HearingReach | null {
  const block = plan.blocks.find(({ kind }) => kind === 'hearing');
  const turns = turnsOf(facts);
  if (block === undefined || turns.length === 0) return null;
  const reached = block.slots?.length ?? 0;
  const waiting = turns.length;
  if (reached >= waiting) return { waiting, reached, lessons: 1, ways: [] };
  const all = turns.reduce((sum, { seconds }) => sum + seconds, 0);
  const longest = Math.max(...turns.map(({ seconds }) => seconds));
  const rows = Math.ceil(waiting / ROW);
  const ofRow = longest + (ROW - 1) * MARK_SECONDS;
  const rowsFit = Math.floor((block.minutes * 60) / ofRow);
  const whole = Math.max(1, plan.minutes - AROUND_HEARING);
  const ways: HearingWay[] = [];
  if (rowsFit > 0)
    ways.push({ way: 'rows', minutes: inMinutes(rows * ofRow), lessons: Math.ceil(rows / rowsFit), rows });
  const listening = all - waiting * (pause - ANSWER_SECONDS);
  ways.push({ way: 'recordings', minutes: inMinutes(listening), lessons: 0, rows: 0 });
  ways.push({ way: 'hearing-lesson', minutes: inMinutes(all), lessons: Math.ceil(all / (whole * 60)), rows: 0 });
  return { waiting, reached, lessons: reached === 0 ? null : Math.ceil(waiting / reached), ways };
}

function inMinutes(seconds: number): number {
  return Math.max(1, Math.ceil(seconds / 60));
}
