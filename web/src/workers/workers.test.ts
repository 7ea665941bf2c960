// @vitest-environment node
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

/** A worker that never answers, or breaks. */
class SilentWorker extends EventTarget {
  static all: SilentWorker[] = [];
  ended = false;

  constructor() {
    super();
    SilentWorker.all.push(this);
  }

  postMessage(): void {
    // Nothing comes back.
  }

  terminate(): void {
    this.ended = true;
  }
}

beforeEach(() => {
  SilentWorker.all = [];
  vi.useFakeTimers();
  vi.stubGlobal('Worker', SilentWorker);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.resetModules();
});

describe('the worker that reads tunes', () => {
  it('is ended and renewed when a text keeps it for ten seconds, and the page gets a sentence', async () => {
    const { tuneWorker } = await import('./index.ts');
    const checking = tuneWorker().check('X:1');
    const reading = tuneWorker().importFile(new Uint8Array(), null, 0);
    await vi.advanceTimersByTimeAsync(10_001);
    expect(await checking).toEqual({
      ok: false,
      notices: [{ bar: null, message: expect.stringContaining('took too long') as string }],
    });
    expect(await reading).toMatchObject({ ok: false });
    expect(SilentWorker.all.map((worker) => worker.ended)).toEqual([true]);
    const again = tuneWorker().check('X:1');
    expect(SilentWorker.all).toHaveLength(2);
    await vi.advanceTimersByTimeAsync(10_001);
    await again;
  });

  it('gives a sentence when it breaks, and other ways into a tune are simply not there', async () => {
    const { tuneWorker } = await import('./index.ts');
    const checking = tuneWorker().check('X:1');
    const ways = tuneWorker().waysIn({ abc: '', instrumentId: '' }, {} as never);
    SilentWorker.all[0]!.dispatchEvent(new Event('error'));
    expect(await checking).toMatchObject({ ok: false });
    expect(await ways).toEqual([]);
  });
});
