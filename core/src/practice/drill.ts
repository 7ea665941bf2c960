import type { Instrument, Move } from '../instruments/index.ts';
import { PLAIN_NOTE, type Metre, type Note, type Pitch, type Tempo, type Tune, pitch } from '../music/index.ts';
import { readTune, tempoLadder, type Knowledge, type MoveUse } from '../reading/index.ts';
import { plainValue } from './rhythm.ts';
import { shortTune } from './short-tune.ts';
import { t } from './messages.ts';

/** One move to go over before the tune that needs it. */
export interface PreparedMove {
  readonly from: string;
  readonly to: string;
  readonly move: Move;
  /** At the tempo of the tune. */
  readonly costAtTempo: number;
  readonly isNew: boolean;
  readonly bars: readonly number[];
  /** Beats a minute, from slow to the tune's. */
  readonly ladder: readonly number[];
}

export interface Preparation {
  /** Easiest first: the order of practising. */
  readonly moves: readonly PreparedMove[];
  /** Two bars a move: to and fro, and to and fro again with a long note to rest on. Null when nothing is hard. */
  readonly sheet: Tune | null;
}

const METRE: Metre = { count: 4, unit: 4 };
export const DEFAULT_MOVES = 4;

/** The moves of a tune that cost a class most, new ones before known ones of the same cost, and a drill of them. */
export function preparation(tune: Tune, instrument: Instrument, known: Knowledge, count = DEFAULT_MOVES): Preparation {
  const reading = readTune(tune, instrument, known);
  const newMoves = new Set(reading.moves.new);
  const weight = (use: MoveUse): number => use.costAtTempo * (newMoves.has(use) ? 1.5 : 1);
  const hardest = reading.moves.all.toSorted((a, b) => weight(b) - weight(a)).slice(0, count);
  const moves = hardest
    .toSorted((a, b) => a.costAtTempo - b.costAtTempo)
    .map((use): PreparedMove => ({
      from: use.from,
      to: use.to,
      move: use.move,
      costAtTempo: use.costAtTempo,
      isNew: newMoves.has(use),
      bars: use.bars,
      ladder: tempoLadder(reading.tempo.perMinute, use.costAtTempo),
    }));
  return {
    moves,
    sheet:
      moves.length === 0 ? null : toggleSheet(moves, reading.tempo, t('drill.before-title', { title: tune.title })),
  };
}

/** To and fro between the two notes of each move. */
export function toggleSheet(
  moves: readonly { readonly from: string; readonly to: string }[],
  tempo: Tempo,
  title: string,
): Tune {
  const bars = moves.flatMap(({ from, to }) => {
    const [a, b] = [pitch(from), pitch(to)];
    return [
      [crotchet(a), crotchet(b), crotchet(a), crotchet(b)],
      [crotchet(a), crotchet(b), minim(a)],
    ];
  });
  return shortTune({ title, metre: METRE, bars, tempo, barsOnLine: 4 });
}

function crotchet(p: Pitch): Note {
  return { ...PLAIN_NOTE, value: plainValue('quarter'), pitch: p };
}

function minim(p: Pitch): Note {
  return { ...PLAIN_NOTE, value: plainValue('half'), pitch: p };
}
