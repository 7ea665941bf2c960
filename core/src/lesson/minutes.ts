/** What a block would like of a lesson's minutes. */
export interface MinuteWish {
  readonly wish: number;
  readonly least: number;
  /** Its share of what is left over. */
  readonly grows: number;
  /** Set by the teacher: neither more nor less. */
  readonly fixed: number | null;
}

/**
 * Whole minutes that sum to the total: everybody's least, then towards the wishes, then by shares what is left over. Where
 * even the least is too much, it is cut in proportion, a minute at the least.
 * @returns as many minutes as there are wishes. They sum to the total where anything is free and the fixed leave it a minute each.
 */
export function fitMinutes(wishes: readonly MinuteWish[], total: number): readonly number[] {
  const fixed = wishes.reduce((sum, wish) => sum + (wish.fixed ?? 0), 0);
  const free = wishes.flatMap((wish, index) => (wish.fixed === null ? [index] : []));
  const room = total - fixed;
  const minutes = wishes.map((wish) => wish.fixed ?? 0);
  const least = sumOf(free, (index) => wishes[index]!.least);
  const wish = sumOf(free, (index) => Math.max(wishes[index]!.least, wishes[index]!.wish));
  const give = (weights: readonly number[], amount: number): void => {
    for (const [place, share] of shares(weights, amount).entries()) minutes[free[place]!]! += share;
  };
  if (room < least) {
    give(
      free.map(() => 1),
      Math.min(room, free.length),
    );
    give(
      free.map((index) => wishes[index]!.least - 1),
      Math.max(0, room - free.length),
    );
  } else {
    for (const index of free) minutes[index] = wishes[index]!.least;
    const towards = free.map((index) => Math.max(0, wishes[index]!.wish - wishes[index]!.least));
    const more = Math.min(room, wish) - least;
    give(towards, more);
    const grows = free.map((index) => wishes[index]!.grows);
    give(grows.some((share) => share > 0) ? grows : free.map(() => 1), room - least - more);
  }
  return minutes;
}

function sumOf(indices: readonly number[], of: (index: number) => number): number {
  return indices.reduce((sum, index) => sum + of(index), 0);
}

/** Whole shares of an amount by weights: largest remainders, the first of equals. */
function shares(weights: readonly number[], amount: number): readonly number[] {
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  if (amount <= 0 || weights.length === 0) return weights.map(() => 0);
  const exact = weights.map((weight) => (all === 0 ? amount / weights.length : (amount * weight) / all));
  const whole = exact.map(Math.floor);
  const missing = amount - whole.reduce((sum, each) => sum + each, 0);
  const order = exact
    .map((each, index) => ({ index, rest: each - whole[index]! }))
    .toSorted((a, b) => b.rest - a.rest || a.index - b.index);
  for (const { index } of order.slice(0, missing)) whole[index]! += 1;
  return whole;
}
