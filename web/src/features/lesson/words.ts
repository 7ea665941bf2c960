import { taughtBlocks, type LessonClock, type LessonHistory, type LessonRun } from '@escalier/core/lesson';
import { blockTitle, type LessonSpeech } from '@escalier/core/words';
import { shortDate } from '../../ui/dates.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** "6 of 7 parts" */
export function partsTaught(run: LessonRun): string {
  const parts = counted('parts', { n: run.plan?.blocks.length ?? 0 });
  return t('words.done-of-parts', { done: taughtBlocks(run).length, parts });
}

/** The last lesson in one line. */
export function lastLessonWords(last: LessonHistory['last']): string {
  if (last === null) return t('words.your-first-lesson-with-this-class');
  const { run } = last;
  const minutes = run.endedAt === null ? null : Math.round((run.endedAt - (run.startedAt ?? run.endedAt)) / 60_000);
  return t('words.last-lesson-date-reached-value', {
    date: shortDate(last.date),
    reached: partsTaught(run),
    minutes: minutes === null ? '' : t('words.in-t', { minutes: counted('minutes', { n: minutes }) }),
  });
}

const SMALL = 30;

/** "3 min behind; Hearing can give 2 back." */
export function paceWords(clock: LessonClock, speech: LessonSpeech): string {
  if (Math.abs(clock.behind) < SMALL) return t('words.on-time');
  const minutes = Math.max(1, Math.round(Math.abs(clock.behind) / 60));
  if (clock.behind < 0) return t('words.minutes-min-ahead', { minutes });
  const { gives } = clock;
  if (gives === null) return t('words.minutes-min-behind', { minutes });
  const back = Math.min(minutes, gives.minutes - gives.least);
  return t('words.minutes-min-behind-block-title-can', { minutes, blockTitle: blockTitle(gives, speech), back });
}

/** "4:05" */
export function clockWords(seconds: number): string {
  const whole = Math.abs(Math.round(seconds));
  return `${seconds < 0 ? '−' : ''}${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
