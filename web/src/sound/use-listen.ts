import type { Family } from '@escalier/core/instruments';
import { NOTHING_KNOWN, DEFAULT_BREATH_SECONDS } from '@escalier/core/reading';
import { computed, shallowRef, watch, type Ref } from 'vue';
import { tuneWorker } from '../workers/index.ts';
import { scheduleOf } from './schedule.ts';
import { useSound } from './use-sound.ts';

/** Plays a tune once, to hear what it is; asked again it stops. */
export function useListen(instrumentId: Ref<string>, family: Ref<Family>) {
  const sound = useSound();
  /** Id of the tune that sounds. */
  const listening = shallowRef<string | null>(null);
  watch(sound.playing, (playing) => {
    if (playing === null) listening.value = null;
  });

  async function listen(id: string, abc: string): Promise<void> {
    const isOn = listening.value === id;
    sound.stop();
    if (isOn) return;
    const read = await tuneWorker().read(
      { abc, instrumentId: instrumentId.value },
      NOTHING_KNOWN,
      DEFAULT_BREATH_SECONDS,
    );
    if (!read.ok) return;
    const { playback } = read.value;
    const schedule = scheduleOf(playback, { bars: null, perMinute: playback.perMinute, countIn: false });
    await sound.start(schedule, { family: family.value, melody: true, click: false, drone: false });
    listening.value = sound.playing.value === null ? null : id;
  }

  return { listening: computed(() => listening.value), listen, error: sound.error };
}
