import { findInstrument } from '@escalier/core/instruments';
import { readSteps, type StepReading } from '@escalier/core/staircase';
import { parsedTune } from '../tunes/index.ts';

const MOST_KEPT = 200;
const kept = new Map<string, readonly StepReading[]>();

/** The readings of a staircase's tunes in order, kept by the texts they come from. */
export function stepReadings(instrumentId: string, tunes: readonly string[]): readonly StepReading[] {
  const key = [instrumentId, ...tunes].join('\u0000');
  const known = kept.get(key);
  if (known !== undefined) return known;
  const on = findInstrument(instrumentId);
  if (on === null) throw new Error(`A staircase is for the unknown instrument ${instrumentId}`);
  const readings = readSteps(tunes.map(parsedTune), on);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(key, readings);
  return readings;
}
