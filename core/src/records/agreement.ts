import type { HeardEvent } from './events.ts';

/** How often what was proposed by listening was what the teacher then decided. */
export interface Agreement {
  /** Results for which something was proposed. */
  readonly proposed: number;
  /** Of them, those in which the result stayed. */
  readonly kept: number;
  /** For each remark that was proposed or given, most often first. */
  readonly remarks: readonly RemarkAgreement[];
}

export interface RemarkAgreement {
  readonly id: string;
  readonly proposed: number;
  /** Proposed, and given by the teacher. */
  readonly kept: number;
  /** Given without having been proposed. */
  readonly added: number;
}

/** @param heard the results that count, as `hearings` gives them. */
export function agreementOf(heard: readonly HeardEvent[]): Agreement {
  const judged = heard.flatMap(({ listened, outcome, remarks }) =>
    listened === undefined || listened.outcome === null ? [] : [{ listened, outcome, remarks }],
  );
  const ids = [...new Set(judged.flatMap(({ listened, remarks }) => [...listened.remarks, ...remarks]))];
  const remarks = ids.map((id): RemarkAgreement => {
    const proposed = judged.filter(({ listened }) => listened.remarks.includes(id));
    const given = judged.filter((each) => each.remarks.includes(id));
    const kept = proposed.filter((each) => each.remarks.includes(id)).length;
    return { id, proposed: proposed.length, kept, added: given.length - kept };
  });
  return {
    proposed: judged.length,
    kept: judged.filter(({ listened, outcome }) => listened.outcome === outcome).length,
    remarks: remarks.toSorted((a, b) => b.proposed + b.added - (a.proposed + a.added) || (a.id < b.id ? -1 : 1)),
  };
}
