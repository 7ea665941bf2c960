import type { Family } from '../instruments/index.ts';
import { t } from './messages.ts';

/** What is heard, and what to look at first. */
export interface SoundProblem {
  readonly heard: string;
  readonly check: string;
}

/** In the order in which they come with a new note. */
export function soundProblems(family: Family): readonly SoundProblem[] {
  const leak =
    family === 'recorder'
      ? t('sound-problems.a-leak-thumb-first-then-too')
      : t('sound-problems.a-leak-then-too-much-breath');
  return [
    { heard: t('sound-problems.it-squeaks-or-jumps-up'), check: leak },
    { heard: t('sound-problems.it-sounds-sharp'), check: t('sound-problems.too-much-breath') },
    { heard: t('sound-problems.it-sounds-flat-and-airy'), check: t('sound-problems.too-little-breath-or-the-window') },
    { heard: t('sound-problems.it-wobbles'), check: t('sound-problems.a-hole-partly-open-flatten-the') },
    { heard: t('sound-problems.two-notes-run-together'), check: t('sound-problems.no-tongue-between-them') },
    {
      heard: t('sound-problems.each-note-starts-with-a-puff'),
      check: t('sound-problems.breath-instead-of-the-tongue'),
    },
  ];
}
