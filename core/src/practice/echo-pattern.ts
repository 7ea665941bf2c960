import type { Move } from '../instruments/index.ts';
import { pitchName, type Pitch, type Metre, type Tune, type TuneEvent } from '../music/index.ts';
import { shortTune } from './short-tune.ts';

/** How far into the new note a pattern goes, in the order of teaching. */
export const ECHO_GRADES = ['one-note', 'two-notes', 'steps', 'skip', 'elsewhere'] as const;
export type EchoGrade = (typeof ECHO_GRADES)[number];

/** Four beats that the teacher plays and the class answers. */
export interface EchoPattern {
  readonly grade: EchoGrade;
  readonly events: readonly TuneEvent[];
  readonly traps: readonly EchoTrap[];
}

/** Where a class may go wrong in a pattern. */
export type EchoTrap =
  /** It begins on another note than it is about, or than the one before ended on. */
  | { readonly kind: 'start'; readonly on: Pitch; readonly not: Pitch }
  | { readonly kind: 'link'; readonly on: Pitch; readonly after: Pitch }
  | { readonly kind: 'move'; readonly from: Pitch; readonly to: Pitch; readonly move: Move }
  | { readonly kind: 'skip'; readonly from: Pitch; readonly to: Pitch }
  | { readonly kind: 'repeated' }
  | { readonly kind: 'rest-inside' }
  | { readonly kind: 'same-notes' };

export const ECHO_METRE: Metre = { count: 4, unit: 4 };

/** Patterns of the same content are the same pattern. */
export function contentOf(events: readonly TuneEvent[]): string {
  return events
    .map((event) => `${event.kind === 'note' ? pitchName(event.pitch) : 'z'} ${event.value.base} ${event.value.dots}`)
    .join(', ');
}

/** The patterns as one sheet, a bar each. */
export function echoSheet(patterns: readonly EchoPattern[], title: string, barsOnLine = 4): Tune {
  return shortTune({ title, metre: ECHO_METRE, bars: patterns.map((pattern) => pattern.events), barsOnLine });
}

/** Who plays when: each pattern so often as an echo, or once read by the class alone. */
export interface EchoTurn {
  readonly pattern: number;
  readonly who: 'teacher' | 'class';
  /** The class reads it for itself: nobody plays it first. */
  readonly reading: boolean;
}

export const ECHO_ROUNDS = 2;

/** @param rounds how often each pattern is played and answered. */
export function echoTurns(
  patterns: readonly number[],
  reading: boolean,
  rounds: number = ECHO_ROUNDS,
): readonly EchoTurn[] {
  if (reading) return patterns.map((pattern) => ({ pattern, who: 'class', reading }));
  return patterns.flatMap((pattern) =>
    Array.from({ length: rounds }).flatMap((): EchoTurn[] => [
      { pattern, who: 'teacher', reading },
      { pattern, who: 'class', reading },
    ]),
  );
}
