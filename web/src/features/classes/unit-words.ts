import type { LessonPart } from '@escalier/core/calendar';
import { MORE_MINUTES, type FitChange, type UnitPlan, type PlannableStep } from '@escalier/core/classes';
import { shortDate } from '../../ui/dates.ts';
import { plural } from '../../ui/plural.ts';

export const PART_WORDS: Readonly<Record<LessonPart, string>> = {
  first: 'New',
  middle: 'Tune',
  hearing: 'Tune, hearing',
  review: 'Review',
  concert: 'Play for others',
};

/** What a change would do, with the lessons that it saves. */
export function wayWords({ kind, step }: FitChange, steps: readonly PlannableStep[]): string {
  const title = step === null ? '' : `“${steps[step]!.title}”`;
  switch (kind) {
    case 'rows':
      return 'Hear in rows of three';
    case 'recordings':
      return 'Hear from recordings, outside the lessons';
    case 'longer':
      return `Hear for ${MORE_MINUTES} minutes more in each lesson`;
    case 'merge':
      return `Merge ${title} with the step after it`;
    case 'drop':
      return `Leave out ${title}, which brings nothing new`;
    case 'concert':
      return `Play “${steps[step! - 1]!.title}” at the concert; ${title} comes after it`;
  }
}

/** What a change of the lessons has moved: "2 steps move; step 6 now ends Feb 5." */
export function shiftWords(before: UnitPlan, after: UnitPlan): string {
  const shifted = after.steps.filter((step, index) => step.to !== before.steps[index]!.to);
  const cost = after.missing - before.missing;
  const lost = cost > 0 ? ` ${plural(cost, 'lesson does', 'lessons do')} not fit any more.` : '';
  const last = shifted.at(-1);
  if (last === undefined) return `No step moves.${lost}`;
  const end = last.to === null ? 'after the term' : shortDate(last.to);
  return `${plural(shifted.length, 'step moves', 'steps move')}; step ${last.step.position} now ends ${end}.${lost}`;
}
