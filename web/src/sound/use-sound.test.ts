import { mount } from '@vue/test-utils';
import { expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import type { Heard } from './player.ts';
import type { Schedule } from './schedule.ts';
import { useSound } from './use-sound.ts';

const heard: Heard[] = [];
const stopped = vi.fn();
vi.mock('./player.ts', () => ({
  play: (...[, , , listener]: [unknown, unknown, unknown, Heard]) => {
    heard.push(listener);
    return Promise.resolve({ stop: stopped });
  },
  setLoudness: () => Promise.resolve(),
}));

const VOICES = { family: 'recorder', melody: true, click: true, drone: false } as const;
const NOTHING = {} as Schedule;

function opened(): ReturnType<typeof useSound> {
  let sound: ReturnType<typeof useSound> | null = null;
  mount(
    defineComponent(() => {
      sound = useSound();
      return () => h('div');
    }),
  );
  return sound!;
}

it('the cursor is gone after a stop, also when a picture comes late', async () => {
  const sound = opened();
  await sound.start(NOTHING, VOICES);
  heard.at(-1)!.onCue('n0-0-0');
  expect(sound.now.value).toBe('n0-0-0');
  sound.stop();
  heard.at(-1)!.onCue('n0-0-1');
  expect(sound.now.value).toBeNull();
  expect(stopped).toHaveBeenCalledOnce();
});

it('what was stopped before it began does not play', async () => {
  const sound = opened();
  const starting = sound.start(NOTHING, VOICES);
  sound.stop();
  await starting;
  expect(sound.playing.value).toBeNull();
  expect(stopped).toHaveBeenCalled();
});
