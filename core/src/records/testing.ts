import type { HeardEvent, Outcome, StepRule, UndoneEvent } from './index.ts';

/** Steps for examples: "one" and so on, each with one tune. */
export const rules = (...ids: string[]): readonly StepRule[] => ids.map((id) => ({ id, tunes: [], toPass: 1 }));

export const STEPS = rules('one', 'two', 'three');

let made = 0;

/** A hearing on a day of March, later in order than those made before it. */
export function heard(
  pupilId: string,
  stepId: string,
  outcome: Outcome,
  day: number,
  more: Partial<HeardEvent> = {},
): HeardEvent {
  made += 1;
  const heardAt = `2026-03-${String(day).padStart(2, '0')}T09:00:00.000Z`;
  const id = `id-${String(made).padStart(5, '0')}`;
  return { kind: 'heard', id, pupilId, stepId, outcome, remarks: [], heardAt, ...more };
}

export function undo(event: HeardEvent): UndoneEvent {
  return { kind: 'undone', id: `undo-${event.id}`, pupilId: event.pupilId, undoes: event.id };
}

export const start = (pupilId: string, startStepIndex = 0) => ({ pupilId, startStepIndex });
