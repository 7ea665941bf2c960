import { tapped, type Tapped } from '@escalier/core/home';
import { computed, ref, shallowRef, type Ref } from 'vue';
import { scheduleOf, useSound } from '../sound/index.ts';
import type { TuneInfo } from '../workers/index.ts';

/** Tapping the rhythm of some bars along a click. Call it in `setup`. */
export function useTapping(info: Ref<TuneInfo | null>) {
  const sound = useSound();
  const taps = ref<number[]>([]);
  const result = shallowRef<Tapped | null>(null);
  const ids = shallowRef<readonly string[]>([]);
  let onsets: readonly number[] = [];
  let begun: number | null = null;

  /** @param bars indices of the first and the last one. */
  async function start(bars: readonly [number, number], perMinute: number): Promise<void> {
    if (info.value === null) return;
    const schedule = scheduleOf(info.value.playback, { bars, perMinute, countIn: true });
    onsets = schedule.cues.map(({ at }) => at);
    ids.value = schedule.cues.map(({ id }) => id);
    [taps.value, result.value, begun] = [[], null, null];
    const voices = { family: 'recorder', melody: false, click: true, drone: false } as const;
    await sound.start(schedule, voices, false, () => (result.value = tapped(onsets, taps.value)));
  }

  /** @param at milliseconds of the touch, as the browser saw it. */
  function tap(at: number): void {
    const playing = sound.playing.value;
    if (playing === null) return;
    begun ??= at - playing.seconds() * 1000;
    taps.value = [...taps.value, (at - begun) / 1000];
  }

  const now = computed(() => sound.now.value);
  return { taps, result, ids, now, playing: sound.playing, error: sound.error, start, tap, stop: sound.stop };
}
