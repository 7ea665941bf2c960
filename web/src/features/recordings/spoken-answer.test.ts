import type { RecordingDto } from '@escalier/contract/recordings';
import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ref } from 'vue';
import { fakeServer, Refused } from '../../testing/fake-server.ts';
import { mountInApp } from '../../testing/mount.ts';
import SpokenAnswer from './SpokenAnswer.vue';

const microphone = vi.hoisted(() => ({ hear: null as ((block: Float32Array) => void) | null }));
vi.mock('../../sound/use-microphone.ts', () => ({
  useMicrophone: () => {
    const isOn = ref(false);
    return {
      isOn,
      error: ref(null),
      start(begun: (rate: number) => void, hear: (block: Float32Array) => void) {
        begun(100);
        microphone.hear = hear;
        isOn.value = true;
        return Promise.resolve();
      },
      stop() {
        isOn.value = false;
      },
    };
  },
}));
vi.mock('../../sound/at-rate.ts', () => ({ atRate: (samples: Float32Array) => Promise.resolve(samples) }));

const SECOND = new Float32Array(100);
const recording = (spokenSeconds: number | null): RecordingDto => ({
  id: 'one',
  pupilId: 'Ann',
  stepId: 's',
  tuneId: 't',
  fileName: 'one.wav',
  seconds: 20,
  heard: null,
  words: '',
  receivedAt: '2026-03-03T09:00:00.000Z',
  erasedOn: '2026-04-02',
  spokenSeconds,
  answerVersion: 2,
  fromHome: false,
});
const change = vi.fn();
const opened = (spokenSeconds: number | null) =>
  mountInApp(SpokenAnswer, { recording: recording(spokenSeconds), change });
async function press(wrapper: VueWrapper, words: string): Promise<void> {
  await wrapper
    .findAll('button')
    .find((button) => button.text().startsWith(words))!
    .trigger('click');
  for (let turn = 0; turn < 6; turn++) await flushPromises();
}

beforeEach(() => {
  vi.spyOn(HTMLMediaElement.prototype, 'pause').mockImplementation(() => undefined);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.clearAllMocks();
});

describe('a spoken answer', () => {
  it('is said, sent with its length, and counted', async () => {
    const asked = fakeServer({ 'PUT /api/recordings/one/answer': () => ({ ok: true }) });
    const { wrapper } = opened(null);
    await press(wrapper, 'Speak an answer');
    for (let second = 0; second < 3; second++) microphone.hear!(SECOND);
    await flushPromises();
    expect(wrapper.get('[role=status]').text()).toBe('Speak now, 3 s');
    await press(wrapper, 'Stop and keep');
    expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual(['PUT /api/recordings/one/answer']);
    expect(change).toHaveBeenCalledWith('one', { spokenSeconds: 3, answerVersion: 3 });
  });

  it('ends after a minute, and when one goes on to the next recording', async () => {
    fakeServer({ 'PUT /api/recordings/one/answer': () => ({ ok: true }) });
    const { wrapper, app } = opened(null);
    await press(wrapper, 'Speak an answer');
    for (let second = 0; second < 60; second++) microphone.hear!(SECOND);
    for (let turn = 0; turn < 6; turn++) await flushPromises();
    expect(change).toHaveBeenLastCalledWith('one', { spokenSeconds: 60, answerVersion: 3 });
    await press(wrapper, 'Speak an answer');
    microphone.hear!(SECOND);
    app.unmount();
    for (let turn = 0; turn < 6; turn++) await flushPromises();
    expect(change).toHaveBeenLastCalledWith('one', { spokenSeconds: 1, answerVersion: 3 });
  });

  it('is erased, and says when the school does not take it', async () => {
    fakeServer({
      'DELETE /api/recordings/one/answer': () => ({ ok: true }),
      'PUT /api/recordings/one/answer': () => new Refused(409, 'The school’s room for recordings is full.'),
    });
    const { wrapper, app } = opened(4);
    expect(wrapper.text()).toContain('Hear it, 4 seconds');
    await press(wrapper, 'Speak it again');
    microphone.hear!(SECOND);
    await press(wrapper, 'Stop and keep');
    expect(change).not.toHaveBeenCalled();
    expect(app.text()).toContain('The school’s room for recordings is full.');
    await press(wrapper, 'Erase it');
    expect(change).toHaveBeenCalledWith('one', { spokenSeconds: null, answerVersion: 3 });
  });

  it('is not lost when somebody else has answered meanwhile', async () => {
    let isStale = true;
    const asked = fakeServer({
      'PUT /api/recordings/one/answer': () =>
        isStale ? new Refused(409, 'Sunniva Dahl has answered since you opened it.', {}, 'changed') : { ok: true },
    });
    const { wrapper, app } = opened(4);
    await press(wrapper, 'Speak it again');
    microphone.hear!(SECOND);
    await press(wrapper, 'Stop and keep');
    expect(app.text()).toContain('Sunniva Dahl has answered since you opened it.');
    expect(wrapper.emitted('stale')).toHaveLength(1);
    isStale = false;
    await press(wrapper, 'Send it instead of theirs');
    expect(asked).toHaveLength(2);
    expect(change).toHaveBeenCalledWith('one', { spokenSeconds: 1, answerVersion: 3 });
  });
});
