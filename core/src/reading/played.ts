import { costInTime, moveBetween, type Instrument, type Move } from '../instruments/index.ts';
import {
  eventsLength,
  midiNumber,
  performanceOrder,
  performedNotes,
  pitchName,
  toNumber,
  type PerformedNote,
  type Tempo,
  type Tune,
} from '../music/index.ts';
import { adjacentPairs } from './notes.ts';

/** One move as it comes in the tune, with the time it has. */
export interface PlayedMove {
  /** Of the tune, counted from 0. */
  readonly part: number;
  readonly first: PerformedNote;
  readonly second: PerformedNote;
  readonly from: string;
  readonly to: string;
  readonly move: Move;
  readonly costAtTempo: number;
}

/** Seconds of a whole note at a tempo. */
export function secondsOfWhole(tempo: Tempo): number {
  return 60 / tempo.perMinute / toNumber(tempo.beat);
}

/** Every move of a part in performance order. Repeated notes are no move; notes off the instrument make none. */
export function playedMoves(tune: Tune, instrument: Instrument, tempo: Tempo, part: number): readonly PlayedMove[] {
  const seconds = secondsOfWhole(tempo);
  return adjacentPairs(performedNotes(tune, part)).flatMap(([first, second]): PlayedMove[] => {
    if (midiNumber(first.pitch) === midiNumber(second.pitch)) return [];
    const move = moveBetween(instrument, first.pitch, second.pitch);
    if (move === null) return [];
    const costAtTempo = costInTime(move.cost, toNumber(first.length) * seconds);
    return [{ part, first, second, from: pitchName(first.pitch), to: pitchName(second.pitch), move, costAtTempo }];
  });
}

/** How long a tune lasts at a tempo, every repeat played, in seconds. */
export function tuneSeconds(tune: Tune, tempo: Tempo): number {
  const lengths = performanceOrder(tune).map((bar) => toNumber(eventsLength(tune.parts[0].bars[bar]!)));
  return lengths.reduce((total, length) => total + length, 0) * secondsOfWhole(tempo);
}
