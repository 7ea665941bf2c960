import type { Extent, Fault, HeardEvent, ListenedTo, Outcome, UndoneEvent } from '@escalier/core/records';
import { v7 } from 'uuid';

/** What is noted about one playing. */
export interface HeardDraft {
  readonly pupilId: string;
  readonly stepId: string;
  readonly outcome: Outcome;
  readonly remarks: readonly string[];
  readonly tuneId?: string;
  readonly tempo?: number;
  readonly faults?: readonly Fault[];
  readonly extent?: Extent;
  readonly listened?: ListenedTo;
  readonly corrects?: string;
  readonly reason?: string;
}

/** Ids are made here, so that sending again stores once. */
export function heardEvent(draft: HeardDraft, now: Date): HeardEvent {
  return { kind: 'heard', id: v7(), ...draft, heardAt: now.toISOString() };
}

export function undoneEvent(
  { pupilId, id }: Pick<HeardEvent, 'pupilId' | 'id'>,
  now: Date,
  reason?: string,
): UndoneEvent & { readonly heardAt: string } {
  const why = reason === undefined ? {} : { reason };
  return { kind: 'undone', id: v7(), pupilId, undoes: id, heardAt: now.toISOString(), ...why };
}

/** The same hearing once more, as it was and when it was, after it has been taken back. */
export function heardAgain({ id: _id, receipt: _receipt, ...event }: HeardEvent): HeardEvent {
  return { ...event, id: v7() };
}
