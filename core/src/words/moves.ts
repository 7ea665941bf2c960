import type { CostPart, CostReason, Move } from '../instruments/index.ts';

export const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];

/** For a teacher: "three fingers land together, in both hands". */
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

const COST_WORDS: Readonly<Record<CostReason, string>> = {
  none: 'the same fingering',
  single: 'one finger',
  team: 'several fingers together',
  swap: 'fingers land while others lift',
  furtherFinger: 'more fingers',
  landing: 'landing: the hole has to seal',
  teamLanding: 'landing: every hole has to seal',
  rightHandSingle: 'the right hand',
  rightHandTeam: 'the right hand',
  littleFinger: 'the little finger',
  sealSix: 'six holes to seal',
  sealSeven: 'seven holes to seal',
  outOfOrder: 'a finger below it stays down',
  gap: 'around a finger that stays',
  intoFork: 'into a fork',
  outOfFork: 'out of a fork',
  bothHands: 'both hands',
  thumb: 'the thumb',
  thumbWithFingers: 'fingers at the same time as the thumb',
  shade: 'a half-covered hole',
  registerChange: 'another register',
  crossesBreak: 'across the break',
};

/** Why a move costs something: "seven holes to seal". */
export function costWords({ reason, count }: CostPart): string {
  if (reason === 'furtherFinger') return count === 1 ? 'one finger more' : `${NUMBERS[count] ?? count} fingers more`;
  return COST_WORDS[reason];
}
