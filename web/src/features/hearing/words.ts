import type { Outcome } from '@escalier/core/records';

/** As the buttons say them. */
export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  passed: 'Passed',
  nearly: 'Nearly',
  'not-yet': 'Not yet',
};
