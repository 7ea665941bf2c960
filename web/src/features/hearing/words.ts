import type { Outcome } from '@escalier/core/records';
import { t } from './messages.ts';

/** As the buttons say them. */
export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  passed: t('words.passed'),
  nearly: t('words.nearly'),
  'not-yet': t('words.not-yet'),
};
