import type { Instrument } from '../instruments/index.ts';
import { byHeight, midiNumber, toNumber, type Tempo, type Tune } from '../music/index.ts';
import type { Breath } from './breaths.ts';
import type { RhythmElement } from './elements.ts';
import type { Form } from './form.ts';
import { fingersDown, hardToGet } from './hard-to-get.ts';
import type { NoteUse } from './notes.ts';
import { secondsOfWhole, type PlayedMove } from './played.ts';

/** One number and what it is made of. A first tune of three notes has about 14, a quick one over an octave 40. */
export interface Difficulty {
  readonly total: number;
  readonly parts: DifficultyParts;
}

export interface DifficultyParts {
  /** The mean and the hardest move at the pass tempo. */
  readonly moves: number;
  /** Notes, rhythm elements and signs that are new to the class. */
  readonly newThings: number;
  /** How many notes, how far apart, and how hard they are to finger. */
  readonly reach: number;
  readonly rhythm: number;
  /** Bars to learn after the form is known. */
  readonly amount: number;
  /** Long stretches without a place to breathe, quick notes. */
  readonly breath: number;
}

interface Known {
  readonly tune: Tune;
  readonly tempo: Tempo;
  readonly played: readonly PlayedMove[];
  readonly notes: readonly NoteUse[];
  readonly newCount: {
    readonly notes: number;
    readonly elements: number;
    readonly signs: number;
    readonly moves: number;
  };
  readonly elements: readonly RhythmElement[];
  readonly form: Form;
  readonly on: Instrument;
  readonly breaths: readonly Breath[];
}

/** How much a rhythm element asks, where it asks more than counting beats. */
const RHYTHM: ReadonlyMap<string, number> = new Map([
  ['note dotted-quarter', 1],
  ['note dotted-eighth', 1.6],
  ['note sixteenth', 1.4],
  ['note eighth', 0.6],
  ['note eighth in 3', 1.4],
  ['syncopation', 1.8],
  ['tie', 0.8],
  ['pickup', 0.4],
  ['compound', 1],
  ['rest eighth', 0.8],
]);

export function difficultyOf(known: Known): Difficulty {
  const parts: DifficultyParts = {
    moves: movePart(known.played),
    newThings: round(
      1.5 * known.newCount.notes +
        0.8 * known.newCount.elements +
        0.4 * known.newCount.signs +
        0.2 * known.newCount.moves,
    ),
    reach: reachPart(known.notes, known.on),
    rhythm: round(known.elements.reduce((sum, element) => sum + (RHYTHM.get(element.id) ?? 0.15), 0)),
    amount: round(0.35 * known.form.distinctBars),
    breath: breathPart(known),
  };
  return { total: round(Object.values(parts).reduce((sum: number, part: number) => sum + part, 0)), parts };
}

function movePart(played: readonly PlayedMove[]): number {
  if (played.length === 0) return 0;
  const costs = played.map((move) => move.costAtTempo);
  const mean = costs.reduce((sum, cost) => sum + cost, 0) / costs.length;
  return round(1.5 * mean + 0.5 * Math.max(...costs));
}

/** A note that is hard to get is so each time, but less than when it was new. */
const HARD_TO_GET = 0.5;
/** For each finger that is down on the note with the most: a beginner's hand is full with two. */
const FINGER_DOWN = 0.3;

function reachPart(notes: readonly NoteUse[], instrument: Instrument): number {
  const sorted = notes.map((use) => use.pitch).toSorted(byHeight);
  const [low, high] = [sorted[0], sorted.at(-1)];
  const semitones = low === undefined || high === undefined ? 0 : midiNumber(high) - midiNumber(low);
  const hard = notes.reduce((sum, use) => sum + hardToGet(instrument, use.pitch), 0);
  const down = Math.max(0, ...notes.map((use) => fingersDown(instrument, use.pitch)));
  return round(0.3 * notes.length + 0.12 * semitones + HARD_TO_GET * hard + FINGER_DOWN * down);
}

function breathPart({ tune, tempo, breaths }: Known): number {
  const seconds = secondsOfWhole(tempo);
  const lengths = tune.bars.map((bar) => (bar.metre.count / bar.metre.unit) * seconds);
  let [longest, now] = [0, 0];
  for (const [index, length] of lengths.entries()) {
    now += length;
    longest = Math.max(longest, now);
    if (breaths.some((breath) => breath.barIndex === index)) now = 0;
  }
  const beatSeconds = seconds * toNumber(tempo.beat);
  return round(Math.max(0, longest - 4) * 0.25 + Math.max(0, 0.6 - beatSeconds));
}

function round(size: number): number {
  return Math.round(size * 10) / 10;
}
