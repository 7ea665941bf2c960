import type { FaultId, Outcome } from '@escalier/core/records';
import { v7 } from 'uuid';

/** What the hearing page sends; ids are made here, so that sending again stores once. */
export interface HeardDraft {
  readonly pupilId: string;
  readonly stepId: string;
  readonly outcome: Outcome;
  readonly remarks: readonly FaultId[];
}

export function heardEvent(draft: HeardDraft, now: Date) {
  return { kind: 'heard' as const, id: v7(), ...draft, remarks: [...draft.remarks], heardAt: now.toISOString() };
}

export function undoneEvent(undoes: string, now: Date) {
  return { kind: 'undone' as const, id: v7(), undoes, heardAt: now.toISOString() };
}
