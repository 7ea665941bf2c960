import { failure, success, type Result } from '../music/index.ts';
import type { FormatProblem, Notice, PartOffer } from './notice.ts';
import { t } from './messages.ts';

export interface Chosen {
  readonly take: readonly [number, ...number[]];
  readonly leftOut: readonly Notice[];
}

/**
 * Which parts a Tune takes. Unless told, the first with notes, and a second when there are two of equal length.
 * @param bars how many bars each part has.
 */
export function choosePart(
  offers: readonly PartOffer[],
  bars: readonly number[],
  wanted: readonly number[] | undefined,
): Result<Chosen, readonly FormatProblem[]> {
  const sounding = offers.filter((offer) => offer.notes > 0);
  const [first, second] = sounding;
  if (first === undefined) return failure([{ bar: null, message: t('parts.the-tune-has-no-notes') }]);
  if (wanted !== undefined) {
    const [lead, ...others] = wanted.filter((index) => sounding.some((offer) => offer.index === index)).slice(0, 2);
    if (lead === undefined) return failure([{ bar: null, message: t('parts.the-chosen-part-has-no-notes') }]);
    return success({ take: [lead, ...others], leftOut: untaken(sounding, [lead, ...others]) });
  }
  const isDuet = second !== undefined && sounding.length === 2 && bars[first.index] === bars[second.index];
  const take: Chosen['take'] = isDuet ? [first.index, second.index] : [first.index];
  return success({ take, leftOut: untaken(sounding, take) });
}

function untaken(offers: readonly PartOffer[], take: readonly number[]): Notice[] {
  return offers
    .filter((offer) => !take.includes(offer.index))
    .map((offer) => ({ bar: null, message: t('parts.left-out-the-part-name', { name: offer.name }) }));
}
