import { onBeforeUnmount, ref, shallowRef, type Ref } from 'vue';
import type { Playback } from '../workers/index.ts';
import { play, type Playing } from './player.ts';
import { scheduleOf } from './schedule.ts';

/** The transport under a tune: what plays, how fast, and where it is. */
export function usePlayer(playback: Ref<Playback | null>) {
  const perMinute = ref(80);
  const melody = ref(true);
  const click = ref(true);
  const countIn = ref(true);
  /** Bars to loop, as indices; null plays the whole once. */
  const loopBars = ref<readonly [number, number] | null>(null);
  const now = ref<string | null>(null);
  const fault = ref<string | null>(null);
  const playing = shallowRef<Playing | null>(null);

  function stop(): void {
    playing.value?.stop();
    playing.value = null;
    now.value = null;
  }

  async function start(): Promise<void> {
    stop();
    fault.value = null;
    if (playback.value === null) return;
    const bars = loopBars.value;
    const schedule = scheduleOf(playback.value, { bars, perMinute: perMinute.value, countIn: countIn.value });
    try {
      playing.value = await play(
        schedule,
        { melody: melody.value, click: click.value },
        bars !== null,
        (id) => (now.value = id),
        stop,
      );
    } catch {
      fault.value = 'This device gives no sound just now; all else works.';
    }
  }

  /** A change while it plays is heard at once. */
  function changed(): void {
    if (playing.value !== null) void start();
  }

  function setTempo(tempo: number): void {
    if (tempo >= 20 && tempo <= 240) perMinute.value = tempo;
    changed();
  }

  function switchVoice(voice: 'melody' | 'click' | 'countIn'): void {
    const switches = { melody, click, countIn };
    switches[voice].value = !switches[voice].value;
    changed();
  }

  function loop(bars: readonly [number, number] | null): void {
    loopBars.value = bars;
    changed();
  }

  onBeforeUnmount(stop);
  return { perMinute, melody, click, countIn, loopBars, now, fault, playing, start, stop, setTempo, switchVoice, loop };
}
