import { elementWords, signWords } from '@escalier/core/reading';
import type { LengthWords } from '@escalier/core/music';
import type { Rise, RisePart } from '@escalier/core/staircase';
import type { StepDto } from '@escalier/server/api';

// Making a format is a hundred times its use, and a board has hundreds of days.
const LONG = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
const SHORT = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

/** "Tuesday 3 February", without the year. */
export function longDate(date: string): string {
  return LONG.format(new Date(date));
}

/** "3 Feb". */
export function shortDate(date: string): string {
  return SHORT.format(new Date(date));
}

/** "F♯", with an apostrophe for each octave above the first: "C′". */
export function noteWords(name: string): string {
  const match = /^([A-G])(##?|bb?)?(\d)$/.exec(name);
  if (match === null) return name;
  const [, letter, sign = '', octave] = match;
  const shown = sign.replaceAll('#', '♯').replaceAll('b', '♭');
  return `${letter}${shown}${Number(octave) >= 5 ? '′'.repeat(Number(octave) - 4) : ''}`;
}

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

export { plural } from '../../ui/plural.ts';

export const QUEUE_RULE =
  'Who has waited so long that they would come too late goes before all others; then come those who nearly passed, then who has waited longest, and among these who is nearest to the step of the class. Who is away today is left out, who was heard today comes last.';
