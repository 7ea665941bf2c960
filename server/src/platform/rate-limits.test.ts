import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { createTestApp, type TestApp } from '../testing/index.ts';
import type { Problem } from './problem.ts';
import { networkOf } from './rate-limits.ts';

let test: TestApp;
beforeAll(async () => {
  test = await createTestApp({ empty: true });
});
afterAll(() => test.close());
afterEach(() => void vi.useRealTimers());

/** Counts so often; gives the seconds to wait of each, 0 where it was let through. */
async function waits(times: number, count: () => Promise<void>): Promise<readonly number[]> {
  const seconds: number[] = [];
  for (let time = 0; time < times; time++)
    seconds.push(
      await count().then(
        () => 0,
        (error: unknown) => Number((error as Problem).headers['Retry-After']),
      ),
    );
  return seconds;
}

function later(minutes: number): void {
  vi.useFakeTimers({ toFake: ['Date'], now: Date.now() + minutes * 60_000 });
}

describe('tries at an account', () => {
  it('are free five times; then each wait is twice as long', async () => {
    const tryOnce = () => test.limits.countTry({ key: 'account a@b.example', address: '' });
    const first = await waits(7, tryOnce);
    expect(first.slice(0, 6)).toEqual([0, 0, 0, 0, 0, 30]);
    expect(first[6]).toBeGreaterThan(0);
    later(1);
    expect((await waits(6, tryOnce))[5]).toBe(60);
    later(2);
    await test.limits.forgetTries({ key: 'account a@b.example', address: '' });
    expect((await waits(6, tryOnce))[5]).toBe(30);
  });

  it('count all of those that come at one moment', async () => {
    const tries = Array.from({ length: 30 }, () => test.limits.countTry({ key: 'account of many', address: '' }));
    const through = (await Promise.allSettled(tries)).filter(({ status }) => status === 'fulfilled');
    expect(through).toHaveLength(5);
  });
});

describe('guesses at three words', () => {
  it('cost nothing to a class that types its own words, twice over', async () => {
    const address = '203.0.113.20';
    for (let child = 0; child < 120; child++) {
      await test.limits.countGuess(address);
      await test.limits.guessedRight(address, `pupil ${child % 27}`);
    }
    // One slip again and again buys nothing: beside the usual forty there are three for each of the slips.
    expect((await waits(40 + 27 * 3 + 1, () => test.limits.countGuess(address))).findIndex((wait) => wait > 0)).toBe(
      40 + 27 * 3,
    );
  });

  it('count together for all addresses of one network of IPv6', async () => {
    const guesses = await waits(41, () =>
      test.limits.countGuess(`2001:db8:1:2::${Math.ceil(Math.random() * 60_000).toString(16)}`),
    );
    expect(guesses.slice(0, 40)).toEqual(Array.from({ length: 40 }, () => 0));
    expect(guesses[40]).toBeGreaterThan(0);
    expect(networkOf('2001:db8:1:2:3:4:5:6')).toBe('2001:db8:1:2::/64');
    expect(networkOf('::ffff:198.51.100.4')).toBe('198.51.100.4');
    expect(networkOf('')).toBe('');
  });

  it('are fewer for everybody while somebody guesses from many addresses', async () => {
    later(60);
    for (let number = 0; number < 401; number++)
      await test.limits.countGuess(`198.18.${number >> 8}.${number & 255}`).catch(() => undefined);
    const stranger = await waits(7, () => test.limits.countGuess('203.0.113.99'));
    expect(stranger.filter((wait) => wait === 0)).toHaveLength(5);
    // Where a slip has come in, three more are free, and its own entry is.
    const home = '203.0.113.98';
    await test.limits.countGuess(home);
    await test.limits.guessedRight(home, 'pupil 3');
    expect((await waits(9, () => test.limits.countGuess(home))).filter((wait) => wait === 0)).toHaveLength(8);
  });
});
