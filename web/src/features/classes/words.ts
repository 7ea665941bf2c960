import type { ClassPage, StepDto } from '@escalier/contract/class-pages';
import { elementWords, signWords } from '@escalier/core/words';
import type { LengthWords } from '@escalier/core/music';
import { STUCK_LESSONS, STUCK_TRIES, type QueuePlace, type Stuck } from '@escalier/core/records';
import type { Rise, RisePart } from '@escalier/core/staircase';
import { noteWords } from '../../ui/note-words.ts';

/** What a step brings, in few words for the chips under its tread: notes, then rhythm, then signs. */
export function newThings(step: StepDto, words: LengthWords): readonly string[] {
  return [
    ...step.newNotes.map(noteWords),
    ...step.newElements.map((id) => elementWords(id, words)),
    ...step.newSigns.map(signWords),
  ];
}

const PART_WORDS: Record<RisePart['of'], (count: number) => string> = {
  tune: () => 'another tune',
  notes: (count) => `${count} new ${count === 1 ? 'note' : 'notes'}`,
  moves: (count) => `${count} new ${count === 1 ? 'move' : 'moves'}, by their cost`,
  rhythm: (count) => `${count} new rhythm ${count === 1 ? 'element' : 'elements'}`,
  signs: (count) => `${count} new ${count === 1 ? 'sign' : 'signs'}`,
};

/** The sum of a rise, a line for each part that counts. */
export function riseLines(rise: Rise): readonly string[] {
  return rise.parts
    .filter((part) => part.points > 0)
    .map((part) => `${PART_WORDS[part.of](part.count)}: ${part.points}`);
}

/** The label of today's line on the stairs. */
export function nowLabel({ lessons: { next, total }, today }: Pick<ClassPage, 'lessons' | 'today'>): string {
  if (next === null) return `term over, ${total} lessons`;
  return next.date === today ? `today, lesson ${next.number}` : `now, before lesson ${next.number}`;
}

export const QUEUE_RULE =
  'Overdue pupils come first, then those who nearly passed, then whoever has waited longest; ties go to the pupil nearest the class’s step. Pupils who are away today are left out, and those already heard today come last.';

/** Why somebody is where they are in the queue. */
export function queueWords({ reason, lessons }: QueuePlace): string {
  const since = lessons === 1 ? '1 lesson' : `${lessons} lessons`;
  switch (reason) {
    case 'due':
      return `not heard for ${since}: overdue`;
    case 'ready':
      return 'nearly passed last time';
    case 'never':
      return lessons === 0 ? 'not heard yet' : `not heard yet, for ${since}`;
    case 'today':
      return 'heard today';
    case 'waited':
      return lessons === 0 ? 'heard in the last lesson' : `not heard for ${since}`;
  }
}

/** Why a pupil counts as stuck. */
export function stuckWords({ why }: Stuck): string {
  return why.kind === 'tries'
    ? `${why.tries} tries without a pass`
    : `no try for ${why.lessons} lessons while the class moved on`;
}

export const STUCK_RULE = `A pupil is stuck after ${STUCK_TRIES} tries on a step without a pass, or after ${STUCK_LESSONS} lessons without a try on a step below the class.`;
