import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { recordingOf } from '@escalier/core/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ref } from 'vue';
import { fakeServer, Refused } from '../../testing/fake-server.ts';
import { clearPage } from '../../testing/page.ts';
import { mountInApp } from '../../testing/mount.ts';
import HeardLive from './HeardLive.vue';
import SoundCheck from './SoundCheck.vue';

const microphone = vi.hoisted(() => ({
  hear: null as ((block: Float32Array) => void) | null,
  rate: 22_050,
  refuse: '',
}));
const listen = vi.hoisted(() => vi.fn());
vi.mock('../../sound/use-microphone.ts', () => ({
  useMicrophone: () => {
    const isOn = ref(false);
    const error = ref<string | null>(null);
    return {
      isOn,
      error,
      start(begun: (rate: number) => void, hear: (block: Float32Array) => void) {
        if (microphone.refuse !== '') error.value = microphone.refuse;
        else {
          begun(microphone.rate);
          microphone.hear = hear;
          isOn.value = true;
        }
        return Promise.resolve();
      },
      stop: () => (isOn.value = false),
    };
  },
}));
vi.mock('../../workers/listening.ts', () => ({ listeningPool: () => ({ listen, cancel: vi.fn() }) }));

/** The microphone hears a note held for a second and a half. */
async function hold(midi: number): Promise<void> {
  const recipe = {
    seed: 1,
    rate: microphone.rate,
    voice: 'recorder',
    tempo: 60,
    tuning: 0,
    surroundings: 'quiet',
  } as const;
  const { samples } = recordingOf([{ onset: 0, duration: 1.5, midi }], recipe);
  for (let at = 0; at + 1024 <= 1.9 * microphone.rate; at += 1024) microphone.hear!(samples.subarray(at, at + 1024));
  await flushPromises();
}

beforeEach(() => {
  setActivePinia(createPinia());
  microphone.refuse = '';
  microphone.hear = null;
});
afterEach(() => {
  clearPage();
  vi.unstubAllGlobals();
  vi.clearAllMocks();
});

describe('the sound check', () => {
  const open = () =>
    mountInApp(SoundCheck, { instrumentId: 'soprano-recorder-baroque', notes: ['B4', 'G4'], pupils: ['Ann', 'Ben'] })
      .wrapper;
  const press = async (wrapper: ReturnType<typeof open>, name: string) => {
    await wrapper
      .findAll('button')
      .find((button) => button.text() === name)!
      .trigger('click');
    await flushPromises();
  };

  it('says that a held note is right, and which one it is when it is not', async () => {
    const wrapper = open();
    expect(wrapper.text()).toContain('Nothing heard yet.');
    await press(wrapper, 'Start listening');
    expect(wrapper.text()).toContain('Hold the note for a second.');
    await hold(79);
    expect(wrapper.get('[role=status]').text()).toBe('Right.');
    expect(wrapper.get('.staff').attributes('aria-label')).toBe('G asked for; G, true');
    await press(wrapper, 'Next pupil');
    expect(wrapper.get('.round').text()).toBe('Ann: Right');
    await hold(83);
    expect(wrapper.get('[role=status]').text()).toContain('That is B');
    await press(wrapper, 'Stop listening');
    expect(wrapper.get('.staff').attributes('aria-label')).toBe('G asked for; Silent');
  });

  it('says why there is no microphone', async () => {
    microphone.refuse = 'There is no microphone.';
    const wrapper = open();
    await press(wrapper, 'Start listening');
    expect(wrapper.get('[role=alert]').text()).toBe('There is no microphone.');
  });
});

describe('listening along', () => {
  const rule = { kind: 'both', tempo: null, slips: null, lookFor: [] } as const;
  const props = { turn: 'Ann', tuneId: 't', instrumentId: 'soprano-recorder-baroque', rule };

  it('says before anybody plays that the tune did not come', async () => {
    fakeServer({ 'GET /api/tunes/gone': () => new Refused(404, 'There is no such tune.') });
    const { wrapper } = mountInApp(HeardLive, { ...props, tuneId: 'gone' });
    await wrapper.get('button').trigger('click');
    for (let turn = 0; turn < 4; turn++) await flushPromises();
    expect(wrapper.get('[role=alert]').text()).toBe('There is no such tune.');
    expect(microphone.hear).toBeNull();
  });

  it('has what was heard ready when the tune has ended, and forgets it for the next pupil', async () => {
    fakeServer({ 'GET /api/tunes/t': () => ({ abc: 'X:1' }) });
    listen.mockResolvedValue({ words: 'All right, 84 beats a minute.' });
    const { wrapper, setProps } = mountInApp(HeardLive, props);
    await wrapper.get('button').trigger('click');
    for (let turn = 0; turn < 4; turn++) await flushPromises();
    await hold(79);
    expect(wrapper.text()).toContain('Listening, 1 s. Nothing is stored.');
    await wrapper.get('button').trigger('click');
    for (let turn = 0; turn < 4; turn++) await flushPromises();
    expect(listen.mock.calls[0]![0]).toMatchObject({ abc: 'X:1', rate: 22_050, rule });
    expect(wrapper.get('.said').text()).toBe('All right, 84 beats a minute.');
    expect(wrapper.emitted('heard')).toHaveLength(1);
    await setProps({ turn: 'Ben' });
    expect(wrapper.find('.said').exists()).toBe(false);
  });
});
