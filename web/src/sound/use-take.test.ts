import { effectScope, ref } from 'vue';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useTake } from './use-take.ts';

const RATE = 1000;
const microphone = vi.hoisted(() => ({ hear: null as ((block: Float32Array) => void) | null }));
vi.mock('./use-microphone.ts', () => ({
  useMicrophone: () => {
    const isOn = ref(false);
    return {
      isOn,
      error: ref(null),
      stop: () => (isOn.value = false),
      start: (begun: (rate: number) => void, hear: (block: Float32Array) => void) => {
        begun(RATE);
        microphone.hear = hear;
        isOn.value = true;
        return Promise.resolve();
      },
    };
  },
}));

/** Tenths of a second at a level. */
function sound(level: number, tenths: number): void {
  for (let tenth = 0; tenth < tenths; tenth++) microphone.hear!(new Float32Array(RATE / 10).fill(level));
}
const takeOf = (...args: Parameters<typeof useTake>) => effectScope().run(() => useTake(...args))!;

beforeEach(() => (microphone.hear = null));

describe('a take', () => {
  it('is all that was heard, in one piece, and gone when it was handed over', async () => {
    const take = takeOf(60);
    await take.start();
    sound(0.25, 12);
    expect([take.seconds.value, take.soFar()]).toEqual([1, 1.2]);
    const made = take.finish()!;
    expect([made.samples.length, made.rate, made.samples[1100]]).toEqual([1200, RATE, 0.25]);
    expect([take.isOn.value, take.finish(), take.soFar()]).toEqual([false, null, 0]);
  });

  it('ends by itself after the longest time, and waits to be handed over', async () => {
    const full = vi.fn();
    const take = takeOf(2, full);
    await take.start();
    sound(0.25, 25);
    expect([full.mock.calls.length, take.isOn.value]).toEqual([1, false]);
    expect(take.finish()!.samples.length).toBeGreaterThanOrEqual(2 * RATE);
  });

  it('ends when it has been quiet, where that is asked for', async () => {
    const full = vi.fn();
    const take = takeOf(60, full, 0.95);
    await take.start();
    sound(0, 30);
    expect(full).not.toHaveBeenCalled();
    sound(0.25, 10);
    sound(0, 10);
    expect(full).toHaveBeenCalledOnce();
    const patient = takeOf(60, full);
    await patient.start();
    sound(0.25, 10);
    sound(0, 100);
    expect(full).toHaveBeenCalledOnce();
  });

  it('is no longer for what the microphone still sends after its end', async () => {
    const take = takeOf(60);
    await take.start();
    sound(0.25, 160);
    expect(take.finish()!.samples.length).toBe(16 * RATE);
    sound(0.25, 1);
    expect([take.seconds.value, take.finish()]).toEqual([16, null]);
  });

  it('begins anew', async () => {
    const take = takeOf(60);
    await take.start();
    sound(0.25, 10);
    await take.start();
    sound(0.5, 1);
    expect([...take.finish()!.samples].every((sample) => sample === 0.5)).toBe(true);
  });
});
