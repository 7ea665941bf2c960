import { effectScope } from 'vue';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useMicrophone } from './use-microphone.ts';

vi.mock('./microphone.worklet.ts?worker&url', () => ({ default: '/worklet.js' }));

const track = { stop: vi.fn() };
const close = vi.fn();
const addModule = vi.fn();
let told: ((event: { data: Float32Array }) => void) | null = null;
const getUserMedia = vi.fn();

beforeEach(() => {
  vi.clearAllMocks();
  told = null;
  getUserMedia.mockResolvedValue({ getTracks: () => [track] });
  addModule.mockResolvedValue(undefined);
  vi.stubGlobal('navigator', { mediaDevices: { getUserMedia } });
  vi.stubGlobal(
    'AudioContext',
    class {
      readonly sampleRate = 48_000;
      readonly audioWorklet = { addModule };
      readonly close = close;
      createMediaStreamSource = () => ({ connect: vi.fn() });
    },
  );
  vi.stubGlobal(
    'AudioWorkletNode',
    class {
      readonly port = {
        addEventListener: (_: string, hear: typeof told) => (told = hear),
        start: vi.fn(),
      };
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

const microphone = () => {
  const scope = effectScope();
  return { scope, ...scope.run(useMicrophone)! };
};

describe('the microphone', () => {
  it('is asked for when it is started, as it is, and gives blocks', async () => {
    const { start, isOn, error } = microphone();
    expect(getUserMedia).not.toHaveBeenCalled();
    const [begun, hear] = [vi.fn(), vi.fn()];
    await start(begun, hear);
    expect(getUserMedia).toHaveBeenCalledWith({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    });
    expect(begun).toHaveBeenCalledWith(48_000);
    const block = new Float32Array(4);
    told!({ data: block });
    expect(hear).toHaveBeenCalledWith(block);
    expect([isOn.value, error.value]).toEqual([true, null]);
  });

  it('is let go when it is stopped, and when the page is left', async () => {
    const { start, stop, isOn, scope } = microphone();
    await start(vi.fn(), vi.fn());
    stop();
    expect([isOn.value, track.stop.mock.calls.length, close.mock.calls.length]).toEqual([false, 1, 1]);
    await start(vi.fn(), vi.fn());
    scope.stop();
    expect(track.stop).toHaveBeenCalledTimes(2);
  });

  it('that comes after it was stopped is let go at once', async () => {
    const { start, stop, isOn } = microphone();
    addModule.mockImplementation(() => {
      stop();
      return Promise.resolve();
    });
    await start(vi.fn(), vi.fn());
    expect([isOn.value, track.stop.mock.calls.length]).toEqual([false, 1]);
  });

  it.each([
    ['NotAllowedError', 'The browser isn’t allowed to use the microphone'],
    ['NotFoundError', 'There is no microphone.'],
    ['NotReadableError', 'in use by another program'],
    ['OtherError', 'couldn’t be started'],
  ])('says why it cannot be heard: %s', async (name, words) => {
    getUserMedia.mockRejectedValue(new DOMException('', name));
    const { start, isOn, error } = microphone();
    await start(vi.fn(), vi.fn());
    expect(error.value).toContain(words);
    expect(isOn.value).toBe(false);
  });
});
