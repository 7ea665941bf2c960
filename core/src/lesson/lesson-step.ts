import type { Instrument } from '../instruments/index.ts';
import type { Tune } from '../music/index.ts';
import { preparation, type RungId } from '../practice/index.ts';
import { readTune, tempoRungs, type Knowledge, type Reading } from '../reading/index.ts';
import type { LessonStep, MoveNames } from './plan.ts';

/** What the class itself says of a step; the rest is read from its tune. */
export interface StepOfClass {
  readonly position: number;
  readonly title: string;
  readonly rungs: readonly RungId[];
  readonly rungsDone: readonly RungId[];
  readonly easier: string | null;
  readonly extra: string | null;
  /** The tempo ladder goes on above the tune’s own tempo. */
  readonly challenge: boolean;
}

/** Where a tune begins that stops nobody. */
const SLOW_SHARE = 0.75;

/** The tempi of a tune: from the one at which its hardest spot holds to its own, and above it as a challenge. */
export function tuneTempi(
  { hardSpots, tempo }: Pick<Reading, 'hardSpots' | 'tempo'>,
  challenge: boolean,
): readonly number[] {
  const own = tempo.perMinute;
  return tempoRungs(hardSpots[0]?.drill.ladder[0] ?? Math.round(own * SLOW_SHARE), own, challenge);
}

/** A step as a lesson needs it: what is new in its tune, the moves to go over first, the hard spot with its tempi. */
export function lessonStep(tune: Tune, instrument: Instrument, known: Knowledge, own: StepOfClass): LessonStep {
  const reading = readTune(tune, instrument, known);
  const [spot] = reading.hardSpots;
  const { challenge, ...step } = own;
  return {
    ...step,
    newNotes: reading.notes.new.map(({ name }) => name),
    knownNotes: knownOf(reading, known),
    newElements: reading.elements.new.map(({ id }) => id),
    moves: backAndForth(preparation(tune, instrument, known).moves),
    hardSpot:
      spot === undefined
        ? null
        : {
            from: spot.hardest.from,
            to: spot.hardest.to,
            bars: spot.bars,
            tempi: tuneTempi(reading, challenge),
          },
  };
}

function knownOf({ notes: used }: Reading, { notes }: Knowledge): readonly string[] {
  const learned = [...notes].toReversed();
  const inTune = new Set(used.all.map(({ name }) => name));
  const both = learned.filter((note) => inTune.has(note));
  return both.length > 0 ? both : learned;
}

/** Each pair of notes once: a drill goes back and forth. */
function backAndForth(moves: readonly MoveNames[]): readonly MoveNames[] {
  const pairs = new Map(moves.map(({ from, to }) => [[from, to].toSorted().join(), { from, to }]));
  return [...pairs.values()];
}
