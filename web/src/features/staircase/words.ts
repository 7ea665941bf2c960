import type { LengthWords } from '@escalier/core/music';
import type {
  Finding,
  LookFor,
  PlannedStep,
  StepNews,
  StepPassRule,
  TuneProfile,
  TuneRole,
} from '@escalier/core/staircase';
import { findingWords, newsWords, whyWords, type Advice } from '@escalier/core/words';
import { noteWords } from '../../ui/note-words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

export const ROLE_WORDS: Readonly<Record<TuneRole, string>> = {
  main: t('words.main-tune'),
  choice: t('words.or-this'),
  easier: t('words.easier-line'),
  extra: t('words.extra-for-those-ahead'),
};

/** What is said of staircases, with notes as a class names them and lengths in its words. */
export interface Said {
  readonly news: (news: StepNews) => string;
  readonly finding: (finding: Finding) => Advice;
  readonly why: (step: PlannedStep) => string;
  /** Why a tune would do at a step: "E′, 3 times, nothing else new · 3/4, E minor". */
  readonly fit: (news: StepNews, tune: Pick<TuneProfile, 'metre' | 'key'>) => string;
}

export function saidIn(lengths: LengthWords): Said {
  return {
    news: (news) => newsWords(news, noteWords, lengths),
    finding: (finding) => findingWords(finding, noteWords, lengths),
    why: (step) => whyWords(step, noteWords, lengths),
    fit: (news, { metre, key }) => {
      const times = news.notes.map(
        ({ name, count }) => `${noteWords(name)} ${count === 1 ? 'once' : t('words.count-times', { count })}`,
      );
      const isAll = news.elements.length + news.signs.length === 0;
      const rest = isAll
        ? [times.length === 0 ? t('words.nothing-new') : t('words.nothing-else-new')]
        : [newsWords({ ...news, notes: [] }, noteWords, lengths)];
      return `${[...times, ...rest].join(', ')} · ${metre}, ${key}`;
    },
  };
}

/** "rises by 4.2, which takes 2 lessons": what a step asks of a class. */
export function askedWords(rise: number, lessons: number): string {
  return t('words.rises-by-rise-about-lessons', { rise, lessons: counted('lessons', { n: lessons }) });
}

export const LOOK_FOR_WORDS: Readonly<Record<LookFor, string>> = {
  hands: t('words.hands'),
  tongue: t('words.tongue'),
  beat: t('words.beat'),
};

/** "at 84, at most 2 slips, hands and tongue": what passing means; null where nothing is set. */
export function passRuleWords({
  passRule,
  toPass,
}: {
  readonly passRule: StepPassRule;
  readonly toPass: number;
}): string | null {
  const parts = [
    ...(toPass > 1 ? [t('words.pass-of-its-tunes', { pass: toPass })] : []),
    ...(passRule.tempo === null ? [] : [t('words.at-tempo-or-faster', { tempo: passRule.tempo })]),
    ...(passRule.slips === null
      ? []
      : [
          passRule.slips === 0
            ? t('words.no-slips')
            : t('words.at-most-slips', { slips: counted('slips', { n: passRule.slips }) }),
        ]),
    ...passRule.lookFor.map((look) => LOOK_FOR_WORDS[look].toLowerCase()),
  ];
  return parts.length === 0 ? null : parts.join(', ');
}
