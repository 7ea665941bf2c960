import type { Pitch } from '../music/index.ts';
import type { Fingering, Hand, Hole, Instrument } from './fingering.ts';
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
 * Weights of a move, chosen so that the orderings practitioners agree on hold: one finger before a team, a team in
 * one hand before a team across both, swaps after teams, landing after lifting because every hole has to seal.
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
  bothHands: 0.8,
  rightHandSingle: 0.1,
  /** A finger moves while one below it stays down. */
  outOfOrder: 0.2,
  thumb: 0.35,
  shade: 0.3,
  registerChange: 1,
  crossesBreak: 0.5,
} as const;

/** From the primary fingering of one note to that of another; null when one of them is not on the instrument. */
export function moveBetween(on: Instrument, from: Pitch, to: Pitch): Move | null {
  const start = fingeringsOf(on, from)[0];
  const goal = fingeringsOf(on, to)[0];
  return start === undefined || goal === undefined ? null : knownMove(on, start, goal);
}

const knownMoves = new WeakMap<Fingering, WeakMap<Fingering, Move>>();

/** Fingerings are the rows of a table: a move between two of them is worked out once. */
function knownMove(on: Instrument, from: Fingering, to: Fingering): Move {
  const goals = knownMoves.get(from) ?? new WeakMap<Fingering, Move>();
  knownMoves.set(from, goals);
  const move = goals.get(to) ?? moveOf(on, from, to);
  goals.set(to, move);
  return move;
}

export function moveOf(on: Instrument, from: Fingering, to: Fingering): Move {
  const actions = on.holes.map((_, index) => actionAt(from, to, index));
  const moving = on.holes.filter((_, index) => actions[index] !== 'stays');
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
  return { ...shape, cost: costOf(on, shape) };
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

/** One reason why a move costs what it costs. */
export interface CostPart {
  readonly words: string;
  readonly points: number;
}

type Uncosted = Omit<Move, 'cost'>;

/** What a cost is the sum of, for those who ask. */
export function costParts(on: Instrument, move: Uncosted): readonly CostPart[] {
  const weights = MOVE_WEIGHTS;
  const moving = move.lands + move.lifts + move.shades;
  const isSingle = move.kind === 'single';
  const further = Math.max(0, moving - (isSingle ? 1 : 2));
  const landing = moving === 0 ? 0 : (isSingle ? weights.landing : weights.teamLanding) * (move.lands / moving);
  const parts: readonly CostPart[] = [
    { words: KIND_WORDS[move.kind], points: weights[move.kind] },
    { words: further === 1 ? 'one finger more' : `${further} fingers more`, points: weights.furtherFinger * further },
    { words: 'landing: every hole has to seal', points: landing },
    { words: 'the right hand', points: isSingle && move.hands.includes('right') ? weights.rightHandSingle : 0 },
    {
      words: 'a finger below it stays down',
      points: isSingle && isOutOfOrder(on.holes, move) ? weights.outOfOrder : 0,
    },
    { words: 'both hands', points: move.bothHands ? weights.bothHands : 0 },
    { words: 'the thumb', points: move.thumb ? weights.thumb : 0 },
    { words: 'a half-covered hole', points: weights.shade * move.shades },
    { words: 'another register', points: move.registerChange ? weights.registerChange : 0 },
    { words: 'across the break', points: move.crossesBreak ? weights.crossesBreak : 0 },
  ];
  return parts.filter((part) => part.points > 0);
}

const KIND_WORDS: Readonly<Record<MoveKind, string>> = {
  none: 'the same fingering',
  single: 'one finger',
  team: 'several fingers together',
  swap: 'fingers land while others lift',
};

function costOf(on: Instrument, move: Uncosted): number {
  const cost = costParts(on, move).reduce((total, part) => total + part.points, 0);
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

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];

/** In words for a teacher: "three fingers land together, in both hands". */
export function describeMove(move: Move): string {
  if (move.kind === 'none') {
    return move.registerChange
      ? 'the same fingers, more or less breath'
      : 'the same fingering: the tongue parts the notes';
  }
  const flags = [
    move.bothHands ? 'in both hands' : '',
    move.thumb && move.kind !== 'single' ? 'thumb included' : '',
    move.registerChange ? 'into another register' : '',
  ].filter((flag) => flag !== '');
  return [fingersInWords(move), ...flags].join(', ');
}

function fingersInWords(move: Move): string {
  if (move.kind === 'single') return `${singleFinger(move)} ${move.actions.find((action) => action !== 'stays')!}`;
  const parts = [
    inWords(move.lands, 'lands', 'land'),
    inWords(move.lifts, 'lifts', 'lift'),
    inWords(move.shades, 'half covers', 'half cover'),
  ].filter((part) => part !== '');
  if (move.kind === 'swap') return `${parts.join(' while ')}`;
  return `${parts.join(' and ')}${parts.length === 1 ? ' together' : ''}`;
}

function singleFinger(move: Move): string {
  if (move.thumb) return 'only the thumb';
  return `one ${move.hands[0] ?? 'left'}-hand finger`;
}

function inWords(count: number, one: string, many: string): string {
  if (count === 0) return '';
  return count === 1 ? `one finger ${one}` : `${NUMBERS[count] ?? count} fingers ${many}`;
}
