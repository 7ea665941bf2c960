import type { Pitch } from '../music/index.ts';
import type { Finger, Fingering, Hand, Hole, Instrument } from './fingering.ts';
import { fingeringsOf } from './instruments.ts';

export type MoveKind = 'none' | 'single' | 'team' | 'swap';
export type FingerAction = 'stays' | 'lands' | 'lifts' | 'shades';

/** What the fingers do from one fingering to the next. */
export interface Move {
  readonly from: Fingering;
  readonly to: Fingering;
  readonly kind: MoveKind;
  /** One action for each hole, top to bottom. */
  readonly actions: readonly FingerAction[];
  readonly lands: number;
  readonly lifts: number;
  readonly shades: number;
  readonly hands: readonly Hand[];
  readonly bothHands: boolean;
  readonly thumb: boolean;
  readonly registerChange: boolean;
  /** A register change in which three or more fingers turn over. */
  readonly crossesBreak: boolean;
  /** How hard, without regard to time: 1 is the finger that lands from B to A. */
  readonly cost: number;
}

/**
 * Weights of a move, chosen so that the orderings practitioners agree on hold (one finger before a team, a team in one
 * hand before a team across both, swaps after teams, landing after lifting because every hole has to seal), and so that
 * the costs of 28 moves of the soprano stand in the order in which a teacher put them beforehand (docs/develop/moves.md).
 */
export const MOVE_WEIGHTS = {
  none: 0.1,
  single: 0.95,
  team: 1.9,
  swap: 2.25,
  /** For each finger over two in a team or swap. */
  furtherFinger: 0.15,
  /** For the fingers that land, as a share of those that move. */
  landing: 0.05,
  teamLanding: 0.15,
  bothHands: 1.2,
  rightHandSingle: 0.1,
  rightHandTeam: 0.2,
  /** The right little finger by itself. */
  littleFinger: 0.2,
  /** Fingers land, and then six holes under fingers must be tight; or seven. */
  sealSix: 0.12,
  sealSeven: 0.5,
  /** Fingers land in a fork: a hole of the right hand is closed below an open one; and out of it. */
  intoFork: 0.3,
  outOfFork: 0.05,
  /** A team lands around a finger that stays. */
  gap: 0.1,
  /** A finger moves while one below it stays down. */
  outOfOrder: 0.2,
  thumb: 0.35,
  /** Fingers move at the same time as the thumb. */
  thumbWithFingers: 0.4,
  shade: 0.3,
  registerChange: 1,
  crossesBreak: 0.5,
} as const;

/** From the primary fingering of one note to that of another; null when one of them is not on the instrument. */
export function moveBetween(instrument: Instrument, from: Pitch, to: Pitch): Move | null {
  const start = fingeringsOf(instrument, from)[0];
  const goal = fingeringsOf(instrument, to)[0];
  return start === undefined || goal === undefined ? null : knownMove(instrument, start, goal);
}

const knownMoves = new WeakMap<Fingering, WeakMap<Fingering, Move>>();

/** Fingerings are the rows of a table: a move between two of them is worked out once. */
function knownMove(instrument: Instrument, from: Fingering, to: Fingering): Move {
  const goals = knownMoves.get(from) ?? new WeakMap<Fingering, Move>();
  knownMoves.set(from, goals);
  const move = goals.get(to) ?? moveOf(instrument, from, to);
  goals.set(to, move);
  return move;
}

export function moveOf(instrument: Instrument, from: Fingering, to: Fingering): Move {
  const actions = instrument.holes.map((_, index) => actionAt(from, to, index));
  const moving = instrument.holes.filter((_, index) => actions[index] !== 'stays');
  const count = (action: FingerAction): number => actions.filter((each) => each === action).length;
  const [lands, lifts, shades] = [count('lands'), count('lifts'), count('shades')];
  const hands = [...new Set(moving.map((hole) => hole.hand))];
  const registerChange = from.register !== to.register;
  const shape = {
    from,
    to,
    kind: kindOf(lands, lifts, shades),
    actions,
    lands,
    lifts,
    shades,
    hands,
    bothHands: hands.length > 1,
    thumb: moving.some((hole) => hole.finger === 'thumb'),
    registerChange,
    crossesBreak: registerChange && lands + lifts >= 3,
  };
  return { ...shape, cost: costOf(instrument, shape) };
}

function actionAt(from: Fingering, to: Fingering, index: number): FingerAction {
  const [before, after] = [from.holes[index], to.holes[index]];
  if (before === after) return 'stays';
  if (before === 'half' || after === 'half') return 'shades';
  return after === 'closed' ? 'lands' : 'lifts';
}

function kindOf(lands: number, lifts: number, shades: number): MoveKind {
  if (lands > 0 && lifts > 0) return 'swap';
  const moving = lands + lifts + shades;
  if (moving === 0) return 'none';
  return moving === 1 ? 'single' : 'team';
}

/** Why a move costs something. */
export type CostReason = MoveKind | Exclude<keyof typeof MOVE_WEIGHTS, MoveKind>;

/** One reason why a move costs what it costs. */
export interface CostPart {
  readonly reason: CostReason;
  /** How often it is counted: fingers, for those that are counted by finger; else 1. */
  readonly count: number;
  readonly points: number;
}

type Uncosted = Omit<Move, 'cost'>;

/** What a cost is the sum of, for those who ask. */
export function costParts(instrument: Instrument, move: Uncosted): readonly CostPart[] {
  const moving = move.lands + move.lifts + move.shades;
  const isSingle = move.kind === 'single';
  const isSealing = move.lands > 0;
  const isRight = move.hands.length === 1 && move.hands[0] === 'right';
  const share = moving === 0 ? 0 : move.lands / moving;
  const counts: readonly (readonly [CostReason, number])[] = [
    [move.kind, 1],
    ['furtherFinger', Math.max(0, moving - (isSingle ? 1 : 2))],
    [isSingle ? 'landing' : 'teamLanding', share],
    [isSingle ? 'rightHandSingle' : 'rightHandTeam', Number(isRight)],
    ['littleFinger', Number(isSingle && finger(instrument, move) === 'little')],
    ['sealSix', Number(isSealing && closedByFingers(instrument, move.to) === 6)],
    ['sealSeven', Number(isSealing && closedByFingers(instrument, move.to) === 7)],
    ['outOfOrder', Number(isSingle && isOutOfOrder(instrument.holes, move))],
    ['gap', Number(move.kind === 'team' && !move.bothHands && isAroundOne(move))],
    ['intoFork', Number(isSealing && isForked(instrument, move.to))],
    ['outOfFork', Number(moving > 0 && isForked(instrument, move.from))],
    ['bothHands', Number(move.bothHands)],
    ['thumb', Number(move.thumb)],
    ['thumbWithFingers', Number(move.thumb && !isSingle)],
    ['shade', move.shades],
    ['registerChange', Number(move.registerChange)],
    ['crossesBreak', Number(move.crossesBreak)],
  ];
  return counts
    .map(([reason, count]) => ({
      reason,
      count: Math.max(1, Math.round(count)),
      points: MOVE_WEIGHTS[reason] * count,
    }))
    .filter((part) => part.points > 0);
}

function finger(instrument: Instrument, move: Uncosted): Finger | undefined {
  return instrument.holes[move.actions.findIndex((action) => action !== 'stays')]?.finger;
}

function closedByFingers(instrument: Instrument, { holes }: Fingering): number {
  return instrument.holes.filter((hole, index) => hole.finger !== 'thumb' && holes[index] === 'closed').length;
}

/** A finger of the right hand is down below an open hole. */
function isForked(instrument: Instrument, { holes }: Fingering): boolean {
  const open = instrument.holes.findIndex((hole, index) => hole.finger !== 'thumb' && holes[index] === 'open');
  return (
    open >= 0 &&
    instrument.holes.some((hole, index) => index > open && hole.hand === 'right' && holes[index] !== 'open')
  );
}

/** Between fingers that move, one stays down. */
function isAroundOne({ actions, to }: Uncosted): boolean {
  const first = actions.findIndex((action) => action !== 'stays');
  const last = actions.findLastIndex((action) => action !== 'stays');
  return actions.some((action, at) => at > first && at < last && action === 'stays' && to.holes[at] !== 'open');
}

function costOf(instrument: Instrument, move: Uncosted): number {
  const cost = costParts(instrument, move).reduce((total, part) => total + part.points, 0);
  return Math.round(cost * 100) / 100;
}

function isOutOfOrder(holes: readonly Hole[], move: Uncosted): boolean {
  const at = move.actions.findIndex((action) => action !== 'stays');
  if (holes[at]?.finger === 'thumb') return false;
  return holes.some((_, index) => index > at && move.from.holes[index] !== 'open' && move.to.holes[index] !== 'open');
}

/** A move that has one second, a crotchet at 60, costs what it costs; less time makes it dearer. */
const TIME_EXPONENT = 0.7;

/** The cost of a move when the first note leaves `seconds` for it. */
export function costInTime(cost: number, seconds: number): number {
  return cost * (1 / seconds) ** TIME_EXPONENT;
}
