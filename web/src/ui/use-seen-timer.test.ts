import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useSeenNow, useSeenTimer } from './use-seen-timer.ts';

let visibility: DocumentVisibilityState;

function turn(to: DocumentVisibilityState): void {
  visibility = to;
  document.dispatchEvent(new Event('visibilitychange'));
}

function within<Result>(setup: () => Result): Result {
  let made: Result | undefined;
  mount({ template: '<p />', setup: () => void (made = setup()) });
  return made!;
}

beforeEach(() => {
  visibility = 'visible';
  vi.useFakeTimers();
  vi.spyOn(document, 'visibilityState', 'get').mockImplementation(() => visibility);
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

it('ticks while the tab is visible, not while it is hidden, and once when it comes back', () => {
  const tick = vi.fn();
  within(() => useSeenTimer(tick, 1000));
  vi.advanceTimersByTime(3000);
  expect(tick).toHaveBeenCalledTimes(3);
  turn('hidden');
  expect(vi.getTimerCount()).toBe(0);
  vi.advanceTimersByTime(60_000);
  expect(tick).toHaveBeenCalledTimes(3);
  turn('visible');
  expect(tick).toHaveBeenCalledTimes(4);
  vi.advanceTimersByTime(1000);
  expect(tick).toHaveBeenCalledTimes(5);
});

it('stays off until it is started, also when the tab comes back', () => {
  const tick = vi.fn();
  const timer = within(() => useSeenTimer(tick, 1000, false));
  turn('hidden');
  turn('visible');
  vi.advanceTimersByTime(5000);
  expect(tick).not.toHaveBeenCalled();
  turn('hidden');
  timer.start();
  expect(vi.getTimerCount()).toBe(0);
  turn('visible');
  expect(tick).toHaveBeenCalledTimes(1);
  timer.stop();
  vi.advanceTimersByTime(5000);
  expect(tick).toHaveBeenCalledTimes(1);
});

it('tells the time anew when a hidden tab comes back', () => {
  const now = within(() => useSeenNow(500));
  const before = now.value;
  turn('hidden');
  vi.advanceTimersByTime(90_000);
  expect(now.value).toBe(before);
  turn('visible');
  expect(now.value).toBe(before + 90_000);
});
