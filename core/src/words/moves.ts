import type { CostPart, CostReason, Move } from '../instruments/index.ts';
import { t } from './messages.ts';

export const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];

/** For a teacher: "three fingers land together, in both hands". */
export function describeMove(move: Move): string {
  if (move.kind === 'none') {
    return move.registerChange
      ? t('moves.the-same-fingers-more-or-less')
      : t('moves.the-same-fingering-the-tongue-separates');
  }
  const flags = [
    move.bothHands ? t('moves.in-both-hands') : '',
    move.thumb && move.kind !== 'single' ? t('moves.thumb-included') : '',
    move.registerChange ? t('moves.into-another-register') : '',
  ].filter((flag) => flag !== '');
  return [fingersInWords(move), ...flags].join(', ');
}

function fingersInWords(move: Move): string {
  if (move.kind === 'single') return `${singleFinger(move)} ${move.actions.find((action) => action !== 'stays')!}`;
  const parts = [
    inWords(move.lands, 'lands', 'land'),
    inWords(move.lifts, 'lifts', 'lift'),
    inWords(move.shades, t('moves.half-covers'), t('moves.half-cover')),
  ].filter((part) => part !== '');
  if (move.kind === 'swap') return `${parts.join(' while ')}`;
  return `${parts.join(' and ')}${parts.length === 1 ? ' together' : ''}`;
}

function singleFinger(move: Move): string {
  if (move.thumb) return t('moves.only-the-thumb');
  return t('moves.one-hands-hand-finger', { hands: move.hands[0] ?? 'left' });
}

function inWords(count: number, one: string, many: string): string {
  if (count === 0) return '';
  return count === 1
    ? t('moves.one-finger-one', { one })
    : t('moves.numbers-fingers-many', { numbers: NUMBERS[count] ?? count, many });
}

const COST_WORDS: Readonly<Record<CostReason, string>> = {
  none: t('moves.the-same-fingering'),
  single: t('moves.one-finger'),
  team: t('moves.several-fingers-together'),
  swap: t('moves.some-fingers-land-while-others-lift'),
  furtherFinger: t('moves.more-fingers'),
  landing: t('moves.landing-seal-the-hole'),
  teamLanding: t('moves.landing-seal-every-hole'),
  rightHandSingle: t('moves.the-right-hand'),
  rightHandTeam: t('moves.the-right-hand'),
  littleFinger: t('moves.the-little-finger'),
  sealSix: t('moves.six-holes-to-seal'),
  sealSeven: t('moves.seven-holes-to-seal'),
  outOfOrder: t('moves.a-finger-below-it-stays-down'),
  gap: t('moves.around-a-finger-that-stays'),
  intoFork: t('moves.into-a-fork'),
  outOfFork: t('moves.out-of-a-fork'),
  bothHands: t('moves.both-hands'),
  thumb: t('moves.the-thumb'),
  thumbWithFingers: t('moves.fingers-at-the-same-time-as'),
  shade: t('moves.a-half-covered-hole'),
  registerChange: t('moves.another-register'),
  crossesBreak: t('moves.across-the-break'),
};

/** Why a move costs something: "seven holes to seal". */
export function costWords({ reason, count }: CostPart): string {
  if (reason === 'furtherFinger')
    return count === 1
      ? t('moves.one-finger-more')
      : t('moves.numbers-fingers-more', { numbers: NUMBERS[count] ?? count });
  return COST_WORDS[reason];
}
