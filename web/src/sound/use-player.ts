import type { Family } from '@escalier/core/instruments';
import { ref, type Ref } from 'vue';
import type { Playback } from '../workers/index.ts';
import type { Voices } from './player.ts';
import { scheduleOf } from './schedule.ts';
import { useSound } from './use-sound.ts';

/** The transport under a tune: what plays, how fast, and where it is. */
export function usePlayer(playback: Ref<Playback | null>, family: Ref<Family>) {
  const perMinute = ref(80);
  const melody = ref(true);
  const click = ref(true);
  const drone = ref(false);
  const countIn = ref(true);
  /** Bars to loop, as indices; null plays the whole once. */
  const loopBars = ref<readonly [number, number] | null>(null);
  const { now, error, playing, start: startSound, stop } = useSound();

  function voices(): Voices {
    return { family: family.value, melody: melody.value, click: click.value, drone: drone.value };
  }

  async function start(): Promise<void> {
    if (playback.value === null) return;
    const bars = loopBars.value;
    const schedule = scheduleOf(playback.value, { bars, perMinute: perMinute.value, countIn: countIn.value });
    await startSound(schedule, voices(), bars !== null);
  }

  /** A change while it plays is heard at once. */
  function changed(): void {
    if (playing.value !== null) void start();
  }

  function setTempo(tempo: number): void {
    if (tempo >= 20 && tempo <= 240) perMinute.value = tempo;
    changed();
  }

  function switchVoice(voice: 'melody' | 'click' | 'drone' | 'countIn'): void {
    const switches = { melody, click, drone, countIn };
    switches[voice].value = !switches[voice].value;
    changed();
  }

  function loop(bars: readonly [number, number] | null): void {
    loopBars.value = bars;
    changed();
  }

  return {
    perMinute,
    melody,
    click,
    drone,
    countIn,
    loopBars,
    now,
    error,
    playing,
    voices,
    start,
    stop,
    setTempo,
    switchVoice,
    loop,
  };
}
