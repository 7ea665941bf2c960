export const OUTCOMES = ['passed', 'nearly', 'not-yet'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** A pupil was heard on a step. Never changed: a wrong tap is undone by a second event. */
export interface HeardEvent {
  readonly kind: 'heard';
  /** UUID v7, made where it was recorded. */
  readonly id: string;
  readonly pupilId: string;
  readonly stepId: string;
  readonly outcome: Outcome;
  /** Ids of faults to work on. */
  readonly remarks: readonly string[];
  /** The device's time, ISO 8601 in UTC. */
  readonly heardAt: string;
}

/** Takes back one heard event. */
export interface UndoneEvent {
  readonly kind: 'undone';
  readonly id: string;
  readonly undoes: string;
}

export type RecordEvent = HeardEvent | UndoneEvent;
