import type { Move } from '../instruments/index.ts';
import type { Tempo, Tune } from '../music/index.ts';
import { moveKey, type Knowledge } from './knowledge.ts';
import type { Place } from './phrases.ts';
import type { PlayedMove } from './played.ts';
import { tempoLadder } from './tempo-ladder.ts';

/** What to practise for a hard spot, from the smallest piece to the whole of it. */
export interface Drill {
  readonly toggle: readonly [string, string];
  /** The two notes and what comes after them. */
  readonly loop: readonly string[];
  /** First and last bar, as printed. */
  readonly window: readonly [number, number];
  /** Beats a minute, from slow to the pass tempo. */
  readonly ladder: readonly number[];
}

/** The move that makes a spot hard. */
export interface HardestMove {
  readonly from: string;
  readonly to: string;
  readonly move: Move;
  /** In these bars, each place once. */
  readonly times: number;
  /** To the class. */
  readonly isNew: boolean;
}

/** A move at which a class will stop, with the one or two bars where it costs most. */
export interface HardSpot {
  readonly bars: readonly [number, number];
  /** The second note of the hardest move: where the class stops. */
  readonly place: Place;
  readonly hardest: HardestMove;
  readonly moves: readonly (readonly [string, string])[];
  readonly score: number;
  readonly drill: Drill;
}

const MOST_SPOTS = 3;
/** A move that costs less at tempo stops nobody. */
const EASY = 1.3;
const NEW_MOVE = 1.5;
const LEAST_SCORE = 0.9;
/** A spot counts beside the hardest when it is at least this share of it. */
const LEAST_SHARE = 0.3;

interface Window {
  readonly first: number;
  readonly last: number;
  readonly score: number;
}

/** The one to three pairs of notes that cost most, hardest first, each at the place where it costs most, with its drill. */
export function hardSpots(
  tune: Tune,
  played: readonly PlayedMove[],
  known: Knowledge,
  tempo: Tempo,
): readonly HardSpot[] {
  const pairs = new Map<string, PlayedMove[]>();
  for (const move of oncePerPlace(played)) {
    const pair = [move.from, move.to].toSorted().join(' ');
    pairs.set(pair, [...(pairs.get(pair) ?? []), move]);
  }
  const found = [...pairs.values()]
    .map((moves) => ({ moves, window: hardestWindow(barScores(tune, moves, known)) }))
    .toSorted((a, b) => b.window.score - a.window.score || a.window.first - b.window.first);
  const best = found[0]?.window.score ?? 0;
  return found
    .filter(({ window }) => window.score >= LEAST_SCORE && window.score >= LEAST_SHARE * best)
    .slice(0, MOST_SPOTS)
    .map(({ moves, window }) => spot(tune, window, moves, played, known, tempo));
}

function weight(move: PlayedMove, known: Knowledge): number {
  const over = Math.max(0, move.costAtTempo - EASY);
  return over * (known.moves.has(moveKey(move.from, move.to)) ? 1 : NEW_MOVE);
}

/** A bar played twice is as hard as played once; what the second part has at the same place is its own. */
function oncePerPlace(played: readonly PlayedMove[]): readonly PlayedMove[] {
  const seen = new Set<string>();
  return played.filter(({ part, first }) => {
    const place = `${part}.${first.barIndex}.${first.eventIndex}`;
    return !seen.has(place) && seen.add(place);
  });
}

function barScores(tune: Tune, moves: readonly PlayedMove[], known: Knowledge): readonly number[] {
  const scores = tune.bars.map(() => 0);
  for (const move of moves) scores[move.first.barIndex]! += weight(move, known);
  return scores;
}

/** The hardest bar, or two neighbours where the difficulty runs on; the first of equals. */
function hardestWindow(perBar: readonly number[]): Window {
  const windows = perBar.flatMap((score, index): Window[] => {
    const next = perBar[index + 1] ?? 0;
    const single = { first: index, last: index, score };
    const runsOn = Math.min(score, next) >= 0.5 * Math.max(score, next) && score > 0;
    return runsOn ? [single, { first: index, last: index + 1, score: 0.75 * (score + next) }] : [single];
  });
  return windows.toSorted((a, b) => b.score - a.score || a.first - b.first)[0]!;
}

function spot(
  tune: Tune,
  window: Window,
  pair: readonly PlayedMove[],
  played: readonly PlayedMove[],
  known: Knowledge,
  tempo: Tempo,
): HardSpot {
  const isInside = (move: PlayedMove): boolean =>
    move.first.barIndex >= window.first && move.first.barIndex <= window.last;
  const byWeight = (a: PlayedMove, b: PlayedMove): number =>
    weight(b, known) - weight(a, known) || b.costAtTempo - a.costAtTempo;
  const inside = played.filter(isInside);
  const hardest = pair.filter(isInside).toSorted(byWeight)[0]!;
  const [first, last] = acrossBarLine(window, hardest);
  const bars = [tune.bars[first]!.number, tune.bars[last]!.number] as const;
  const moves = new Map(
    [hardest, ...inside.toSorted(byWeight)]
      .filter((move) => weight(move, known) > 0)
      .map((move) => [moveKey(move.from, move.to), [move.from, move.to] as const]),
  );
  return {
    bars,
    place: { barIndex: hardest.second.barIndex, eventIndex: hardest.second.eventIndex },
    hardest: {
      from: hardest.from,
      to: hardest.to,
      move: hardest.move,
      times: timesIn(inside, hardest),
      isNew: !known.moves.has(moveKey(hardest.from, hardest.to)),
    },
    moves: [...moves.values()].slice(0, 4),
    score: Math.round(window.score * 100) / 100,
    drill: {
      toggle: [hardest.from, hardest.to],
      loop: loopOf(hardest, played),
      window: bars,
      ladder: tempoLadder(tempo.perMinute, hardest.costAtTempo),
    },
  };
}

/** The bars of a window; where its hardest move runs over the bar line at its end, the two bars on both sides of that. */
function acrossBarLine({ first, last }: Window, { first: from, second: to }: PlayedMove): readonly [number, number] {
  return from.barIndex === last && to.barIndex === last + 1 ? [last, last + 1] : [first, last];
}

/** How many places of the window have this very move. */
function timesIn(inside: readonly PlayedMove[], { from, to }: PlayedMove): number {
  const same = inside.filter((move) => move.from === from && move.to === to);
  return new Set(same.map(({ part, first }) => `${part}.${first.barIndex}.${first.eventIndex}`)).size;
}

/** The two notes with the one that follows, or the one before where the tune ends. */
function loopOf(hardest: PlayedMove, played: readonly PlayedMove[]): readonly string[] {
  const at = played.indexOf(hardest);
  const [before, after] = [played[at - 1], played[at + 1]];
  if (after?.first === hardest.second) return [hardest.from, hardest.to, after.to];
  return before?.second === hardest.first ? [before.from, hardest.from, hardest.to] : [hardest.from, hardest.to];
}
