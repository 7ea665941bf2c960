import type { RecordingDto } from '@escalier/contract/recordings';
import { OUTCOME_WORDS } from '../hearing/index.ts';
import { t } from './messages.ts';

/** How sure a proposal is, as one would say it. @param sure 0 to 1. */
export function surenessWords(sure: number): string {
  if (sure > 0.85) return 'sure';
  return sure > 0.6 ? t('words.fairly-sure') : t('words.not-sure');
}

/** What listening proposes for a recording, in few words: "Nearly, fairly sure". */
export function proposalWords({ failed, outcome, sure }: NonNullable<RecordingDto['heard']>): string {
  if (failed === true) return t('words.not-listened-to');
  return outcome === null ? t('words.cannot-be-judged') : `${OUTCOME_WORDS[outcome]}, ${surenessWords(sure)}`;
}
