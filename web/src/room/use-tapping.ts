import { tapped, type Tapped } from '@escalier/core/home';
import type { Family } from '@escalier/core/instruments';
import { computed, ref, shallowRef, type Ref } from 'vue';
import { scheduleOf, turnOfCue, turnsSchedule, useSound } from '../sound/index.ts';
import type { Playback, TuneInfo } from '../workers/index.ts';

/** Along with the click, or back after it was heard. */
export type TapWay = 'along' | 'back';

/** The bars heard once, then clicked. */
function heardFirst(playback: Playback, [first, last]: readonly [number, number], perMinute: number) {
  const bars = playback.bars.filter(({ index }) => index >= first && index <= last);
  const [from, to] = [bars[0]!.start, bars.at(-1)!.end];
  const events = playback.events.filter(({ start }) => start >= from - 1e-9 && start < to - 1e-9);
  const piece = { from: events[0]!.id, to: events.at(-1)!.id, perMinute };
  return turnsSchedule(playback, [
    { ...piece, who: 'teacher' },
    { ...piece, who: 'class' },
  ]);
}

/** Seconds before the first note at which a tap may be meant for it. */
const EARLIEST = 0.4;

/** Tapping the rhythm of some bars. Call it in `setup`. */
export function useTapping(info: Ref<TuneInfo | null>, family: () => Family) {
  const sound = useSound();
  const taps = ref<number[]>([]);
  const result = shallowRef<Tapped | null>(null);
  const ids = shallowRef<readonly string[]>([]);
  let onsets: readonly number[] = [];
  let begun: number | null = null;

  /** @param bars indices of the first and the last one. */
  async function start(bars: readonly [number, number], perMinute: number, way: TapWay): Promise<void> {
    if (info.value === null) return;
    const { playback } = info.value;
    const schedule =
      way === 'along'
        ? scheduleOf(playback, { bars, perMinute, countIn: true })
        : heardFirst(playback, bars, perMinute);
    const mine = schedule.cues
      .map(({ at, id }) => ({ at, ...turnOfCue(id) }))
      .filter(({ turn }) => turn === (way === 'along' ? 0 : 1));
    onsets = mine.map(({ at }) => at);
    ids.value = mine.map(({ id }) => id);
    [taps.value, result.value, begun] = [[], null, null];
    const voices = { family: family(), melody: way === 'back', click: true, drone: false };
    await sound.start(schedule, voices, false, () => {
      // Taps while it was still heard are not meant.
      const meant = taps.value.filter((at) => at > (onsets[0] ?? 0) - EARLIEST);
      result.value = tapped(onsets, meant);
    });
  }

  /** @param at milliseconds of the touch, as the browser saw it. */
  function tap(at: number): void {
    const playing = sound.playing.value;
    if (playing === null) return;
    begun ??= at - playing.seconds() * 1000;
    taps.value = [...taps.value, (at - begun) / 1000];
  }

  const cue = computed(() => (sound.now.value === null ? null : turnOfCue(sound.now.value)));
  const now = computed(() => cue.value?.id ?? null);
  /** It is heard, and not yet to be tapped. */
  const isHearing = (way: TapWay): boolean => way === 'back' && (cue.value?.turn ?? 0) === 0;
  return {
    taps,
    result,
    ids,
    now,
    isHearing,
    playing: sound.playing,
    error: sound.error,
    start,
    tap,
    stop: sound.stop,
  };
}
