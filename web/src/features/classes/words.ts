import { elementWords, signWords } from '@escalier/core/reading';
import type { LengthWords } from '@escalier/core/music';
import type { Rise, RisePart } from '@escalier/core/staircase';
import type { StepDto } from '@escalier/server/api';

/** Making a format is a hundred times its use, and the first one of a page a thousand times: made once, when it is used. */
function format(options: Intl.DateTimeFormatOptions): (date: string) => string {
  let made: Intl.DateTimeFormat | null = null;
  return (date) => {
    made ??= new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' });
    return made.format(new Date(date));
  };
}

/** "Tuesday 3 February", without the year. */
export const longDate = format({ weekday: 'long', day: 'numeric', month: 'long' });

/** "3 Feb". */
export const shortDate = format({ day: 'numeric', month: 'short' });

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
