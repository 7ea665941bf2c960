import { t } from './messages.ts';

/** What a letter to families is about. */
export const LETTERS = [
  {
    id: 'new-note',
    name: 'A new note',
    words: [
      t('letters.dear-family'),
      '',
      t('letters.in-class-we-are-learning-tune'),
      '',
      t('letters.please-send-the-instrument-on-lesson'),
      '',
      '{teacher}',
    ].join('\n'),
  },
  {
    id: 'pass',
    name: 'A step passed',
    words: [t('letters.dear-family'), '', t('letters.pupil-has-passed-steps-in-class'), '', '{teacher}'].join('\n'),
  },
  {
    id: 'recital',
    name: 'A recital',
    words: [
      t('letters.dear-family'),
      '',
      t('letters.class-will-play-for-you-on'),
      '',
      t('letters.you-are-warmly-invited'),
      '',
      '{teacher}',
    ].join('\n'),
  },
] as const;
export type LetterId = (typeof LETTERS)[number]['id'];
