// @vitest-environment node
import { afterEach, describe, expect, it, vi } from 'vitest';
import { decode, MOST_KEPT, toKeep } from './decode.ts';

/** A browser that decodes every file to these sides. */
function browser(sides: readonly Float32Array[] | null, seconds = 2): void {
  class FakeContext {
    readonly destination = {};
    readonly length: number;
    constructor(_channels: number, length: number) {
      this.length = length;
    }
    decodeAudioData() {
      if (sides === null) return Promise.reject(new Error('no sound'));
      return Promise.resolve({
        duration: seconds,
        sampleRate: 44_100,
        numberOfChannels: sides.length,
        getChannelData: (side: number) => sides[side],
      });
    }
    createBufferSource = () => ({ buffer: null, connect: () => undefined, start: () => undefined });
    createBuffer = () => ({ copyToChannel: () => undefined });
    startRendering = () => Promise.resolve({ getChannelData: () => new Float32Array(this.length) });
  }
  vi.stubGlobal('OfflineAudioContext', FakeContext);
  stated(null);
}
/** Every file's head says this length; null for none. */
function stated(duration: number | null): void {
  class FakeAudio extends EventTarget {
    readonly duration = duration ?? Infinity;
    removeAttribute = () => undefined;
    set src(_: string) {
      queueMicrotask(() => this.dispatchEvent(new Event('loadedmetadata')));
    }
  }
  vi.stubGlobal('Audio', FakeAudio);
  vi.stubGlobal('URL', { createObjectURL: () => 'blob:sound', revokeObjectURL: () => undefined });
}
afterEach(() => vi.unstubAllGlobals());
const tone = (size: number) => new Float32Array(100).fill(size);
const blob = (size = 10) => ({ size, arrayBuffer: () => Promise.resolve(new ArrayBuffer(1)) }) as Blob;

describe('a file that is to be a recording', () => {
  it('becomes one channel, a dead side left out', async () => {
    browser([tone(0.5), tone(0)]);
    const read = await decode(blob());
    expect(read).toMatchObject({ seconds: 2, rate: 44_100, deadSide: true });
    expect(read.samples[0]).toBe(0.5);
  });

  it('is refused in a sentence when it is empty, far too large, no sound, too long, or silent', async () => {
    browser([tone(0.5)]);
    await expect(decode(blob(0))).rejects.toThrow('The file is empty.');
    await expect(decode(blob(2_000_000_000))).rejects.toThrow('far too large');
    browser([tone(0.5)], 200);
    await expect(decode(blob())).rejects.toThrow('It is 4 minutes long; the limit is three.');
    browser([tone(0.0001)]);
    await expect(decode(blob())).rejects.toThrow('It is silent.');
    browser(null);
    await expect(decode(blob())).rejects.toThrow('This browser can’t play this file');
  });

  it('is not decoded at all when its head says that it is too long', async () => {
    browser([tone(0.5)]);
    const decoded = vi.spyOn(OfflineAudioContext.prototype, 'decodeAudioData');
    stated(2940);
    await expect(decode(blob())).rejects.toThrow('It is 49 minutes long; the limit is three.');
    expect(decoded).not.toHaveBeenCalled();
  });

  it('waits for the one before it, which may fail', async () => {
    browser([tone(0.5)]);
    let [now, most] = [0, 0];
    vi.spyOn(OfflineAudioContext.prototype, 'decodeAudioData').mockImplementation(async () => {
      most = Math.max(most, ++now);
      await Promise.resolve();
      now--;
      throw new Error('no sound');
    });
    const all = await Promise.allSettled([decode(blob()), decode(blob()), decode(blob())]);
    expect([most, all.map(({ status }) => status)]).toEqual([1, ['rejected', 'rejected', 'rejected']]);
  });

  it('is kept as it is, or at a rate at which it fits', async () => {
    browser([tone(0.5)]);
    const small = blob();
    expect(await toKeep(small)).toBe(small);
    for (const seconds of [60, 120, 180]) {
      browser([tone(0.5)], seconds);
      expect((await toKeep(blob(20_000_000))).size).toBeLessThanOrEqual(MOST_KEPT);
    }
  });
});
