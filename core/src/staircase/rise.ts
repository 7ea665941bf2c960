import type { Instrument } from '../instruments/index.ts';
import type { Tune } from '../music/index.ts';
import { joinKnowledge, knowledgeFrom, NOTHING_KNOWN, readTune, type Reading } from '../reading/index.ts';

/**
 * How much harder a step is than what the class had before: a sum of what is new, each part shown.
 * A consolidation step brings nothing new and still rises a little, because it is another tune to learn.
 */
export interface Rise {
  readonly total: number;
  readonly parts: readonly RisePart[];
}

export interface RisePart {
  readonly of: 'tune' | 'notes' | 'moves' | 'rhythm' | 'signs';
  readonly count: number;
  readonly points: number;
}

/** Points for each new thing. A new move counts by its cost: B to A is 1. */
export const RISE_POINTS = { tune: 1, note: 2, moveCost: 0.3, element: 1, sign: 0.5 } as const;

export interface StepReading {
  readonly reading: Reading;
  readonly rise: Rise;
}

/** Reads the tunes of a staircase in order, each for a class that has learned all before it. */
export function readSteps(tunes: readonly Tune[], on: Instrument): readonly StepReading[] {
  let known = NOTHING_KNOWN;
  return tunes.map((tune) => {
    const reading = readTune(tune, on, known);
    known = joinKnowledge(known, knowledgeFrom(reading));
    return { reading, rise: riseOf(reading) };
  });
}

export function riseOf(reading: Reading): Rise {
  const moves = reading.moves.new;
  const moveCosts = moves.reduce((total, use) => total + use.move.cost, 0);
  const parts: readonly RisePart[] = [
    { of: 'tune', count: 1, points: RISE_POINTS.tune },
    { of: 'notes', count: reading.notes.new.length, points: reading.notes.new.length * RISE_POINTS.note },
    { of: 'moves', count: moves.length, points: round(moveCosts * RISE_POINTS.moveCost) },
    { of: 'rhythm', count: reading.elements.new.length, points: reading.elements.new.length * RISE_POINTS.element },
    { of: 'signs', count: reading.signs.new.length, points: reading.signs.new.length * RISE_POINTS.sign },
  ];
  return { total: round(parts.reduce((total, part) => total + part.points, 0)), parts };
}

function round(points: number): number {
  return Math.round(points * 10) / 10;
}
