import type { LookFor, StepNews, StepPassRule, TuneProfile, TuneRole } from '@escalier/core/staircase';
import { newsWords } from '@escalier/core/words';
import { noteWords } from '../../ui/note-words.ts';
import { plural } from '../../ui/plural.ts';

export const ROLE_WORDS: Readonly<Record<TuneRole, string>> = {
  main: 'main tune',
  choice: 'or this',
  easier: 'easier line',
  extra: 'extra, for those ahead',
};

/** Why a tune would do at a step: "E′, 3 times. In three, E minor." */
export function fitWords(news: StepNews, { metre, key }: Pick<TuneProfile, 'metre' | 'key'>): string {
  const times = news.notes.map(({ name, count }) => `${noteWords(name)} ${count === 1 ? 'once' : `${count} times`}`);
  const brings = newsWords({ ...news, notes: [] }, noteWords);
  const rest = brings === 'nothing new' ? (times.length === 0 ? 'nothing new' : 'nothing else new') : brings;
  return `${[...times, rest].join(', ')} · ${metre}, ${key}`;
}

/** "rises by 4.2, which takes 2 lessons": what a step asks of a class. */
export function askedWords(rise: number, lessons: number): string {
  return `rises by ${rise}; about ${plural(lessons, 'lesson', 'lessons')}`;
}

export const LOOK_FOR_WORDS: Readonly<Record<LookFor, string>> = { hands: 'Hands', tongue: 'Tongue', beat: 'Beat' };

/** "at 84, at most 2 slips, hands and tongue": what passing means; null where nothing is set. */
export function passRuleWords({
  passRule,
  toPass,
}: {
  readonly passRule: StepPassRule;
  readonly toPass: number;
}): string | null {
  const parts = [
    ...(toPass > 1 ? [`${toPass} of its tunes`] : []),
    ...(passRule.tempo === null ? [] : [`at ${passRule.tempo} or faster`]),
    ...(passRule.slips === null
      ? []
      : [passRule.slips === 0 ? 'no slips' : `at most ${plural(passRule.slips, 'slip', 'slips')}`]),
    ...passRule.lookFor.map((look) => LOOK_FOR_WORDS[look].toLowerCase()),
  ];
  return parts.length === 0 ? null : parts.join(', ');
}
