import type { LessonClock, LessonHistory } from '@escalier/core/lesson';
import { blockTitle, type LessonSpeech } from '@escalier/core/words';
import { shortDate } from '../../ui/dates.ts';
import { plural } from '../../ui/plural.ts';

/** The last lesson in one line. */
export function lastLessonWords(last: LessonHistory['last']): string {
  if (last === null) return 'The first lesson that Escalier runs with this class.';
  const { run } = last;
  const minutes = run.endedAt === null ? null : Math.round((run.endedAt - run.startedAt!) / 60_000);
  const parts = Object.keys(run.spent).length;
  const reached = `${parts} of ${plural(run.plan!.blocks.length, 'part', 'parts')}`;
  return `Last lesson, ${shortDate(last.date)}: ${reached}${minutes === null ? '' : ` in ${plural(minutes, 'minute', 'minutes')}`}.`;
}

const SMALL = 30;

/** "3 min behind; Hearing can give 2 back." */
export function paceWords(clock: LessonClock, speech: LessonSpeech): string {
  if (Math.abs(clock.behind) < SMALL) return 'On time';
  const minutes = Math.max(1, Math.round(Math.abs(clock.behind) / 60));
  if (clock.behind < 0) return `${minutes} min ahead`;
  const { gives } = clock;
  if (gives === null) return `${minutes} min behind`;
  const back = Math.min(minutes, gives.minutes - gives.least);
  return `${minutes} min behind: ${blockTitle(gives, speech)} can give ${back} back`;
}

/** "4:05" */
export function clockWords(seconds: number): string {
  const whole = Math.abs(Math.round(seconds));
  return `${seconds < 0 ? '−' : ''}${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
