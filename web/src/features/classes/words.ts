import type { ClassPage, StepDto } from '@escalier/contract/class-pages';
import { elementWords, signWords } from '@escalier/core/words';
import type { LengthWords } from '@escalier/core/music';
import { STUCK_LESSONS, STUCK_TRIES, type QueuePlace, type Stuck } from '@escalier/core/records';
import type { Rise, RisePart } from '@escalier/core/staircase';
import { noteWords } from '../../ui/note-words.ts';
import { t } from './messages.ts';

/** What a step brings, in few words for the chips under its tread: notes, then rhythm, then signs. */
export function newThings(step: StepDto, words: LengthWords): readonly string[] {
  return [
    ...step.newNotes.map(noteWords),
    ...step.newElements.map((id) => elementWords(id, words)),
    ...step.newSigns.map(signWords),
  ];
}

const PART_WORDS: Record<RisePart['of'], (count: number) => string> = {
  tune: () => t('words.another-tune'),
  notes: (count) => t('words.count-new-value', { n: count }),
  moves: (count) => t('words.count-new-value-by-difficulty', { n: count }),
  rhythm: (count) => t('words.count-new-rhythm-value', { n: count }),
  signs: (count) => t('words.count-new-value-2', { n: count }),
};

/** The sum of a rise, a line for each part that counts. */
export function riseLines(rise: Rise): readonly string[] {
  return rise.parts
    .filter((part) => part.points > 0)
    .map((part) => `${PART_WORDS[part.of](part.count)}: ${part.points}`);
}

/** The label of today's line on the stairs. */
export function nowLabel({ lessons: { next, total }, today }: Pick<ClassPage, 'lessons' | 'today'>): string {
  if (next === null) return t('words.term-over-total-lessons', { total });
  return next.date === today
    ? t('words.today-lesson-number', { number: next.number })
    : t('words.now-before-lesson-number', { number: next.number });
}

export const QUEUE_RULE = t('words.overdue-pupils-come-first-then-those');

/** Why somebody is where they are in the queue. */
export function queueWords({ reason, lessons }: QueuePlace): string {
  const since = lessons === 1 ? t('words.1-lesson') : t('words.lessons-lessons', { lessons });
  switch (reason) {
    case 'due':
      return t('words.not-heard-for-since-overdue', { since });
    case 'ready':
      return t('words.nearly-passed-last-time');
    case 'never':
      return lessons === 0 ? t('words.not-heard-yet') : t('words.not-heard-yet-for-since', { since });
    case 'today':
      return t('words.heard-today');
    case 'waited':
      return lessons === 0 ? t('words.heard-in-the-last-lesson') : t('words.not-heard-for-since', { since });
  }
}

/** Why a pupil counts as stuck. */
export function stuckWords({ why }: Stuck): string {
  return why.kind === 'tries'
    ? t('words.tries-tries-without-a-pass', { tries: why.tries })
    : t('words.no-try-for-lessons-lessons-while', { lessons: why.lessons });
}

export const STUCK_RULE = t('words.a-pupil-is-stuck-after-stuck', {
  stuckTries: STUCK_TRIES,
  stuckLessons: STUCK_LESSONS,
});
