import { describe, expect, it } from 'vitest';
import { batched } from './batched.ts';

describe('asks that share a piece of work', () => {
  it('are answered each for itself; what comes meanwhile goes together', async () => {
    const groups: (readonly number[])[] = [];
    const double = batched(async (asks: readonly number[]) => {
      groups.push(asks);
      await new Promise((resolve) => setTimeout(resolve));
      return asks.map((ask) => 2 * ask);
    });
    expect(await Promise.all([1, 2, 3, 4].map(double))).toEqual([2, 4, 6, 8]);
    expect(groups).toEqual([[1], [2, 3, 4]]);
    expect(await double(5)).toBe(10);
  });

  it('do not fail for one another', async () => {
    const picky = batched((asks: readonly number[]) =>
      asks.includes(13) ? Promise.reject(new Error('unlucky')) : Promise.resolve(asks),
    );
    const results = await Promise.allSettled([1, 12, 13, 14].map(picky));
    expect(results.map((result) => result.status)).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled']);
  });
});
