import type { Family } from '@escalier/core/instruments';
import type { RepeatWay } from '@escalier/core/practice';
import { computed, ref, shallowRef, type Ref } from 'vue';
import type { PieceTurn, PlayedBacking, Playback } from '../workers/index.ts';
import type { Voices } from './player.ts';
import { scheduleOf, turnOfCue, turnsSchedule } from './schedule.ts';
import { useSound } from './use-sound.ts';

/**
 * The transport under a tune: what plays, how fast, and where it is.
 * @param itsTurns turns that are played instead of the whole, with tempi of their own; null for none.
 * @param repeats what the class does with a section that comes again.
 */
export function usePlayer(
  playback: Ref<Playback | null>,
  family: Ref<Family>,
  itsTurns: Ref<readonly PieceTurn[] | null>,
  repeats: Ref<RepeatWay>,
  backing: Ref<PlayedBacking | null> = shallowRef(null),
) {
  const perMinute = ref(80);
  const melody = ref(true);
  const click = ref(true);
  const drone = ref(false);
  const countIn = ref(true);
  /** Of a duet: the part that is not heard. */
  const silentPart = ref<number | null>(null);
  /** The backing plays along, where there is one. */
  const along = ref(false);
  /** Bars to loop, as indices; null plays the whole once. */
  const loopBars = ref<readonly [number, number] | null>(null);
  const sound = useSound();
  /** The turns that sound now; null when a stretch does. */
  const turns = shallowRef<readonly PieceTurn[] | null>(null);
  const cue = computed(() => (sound.now.value === null ? null : turnOfCue(sound.now.value)));
  const now = computed(() => cue.value?.id ?? null);
  const turn = computed(() => (cue.value === null ? null : (turns.value?.[cue.value.turn] ?? null)));

  function voices(): Voices {
    return {
      family: family.value,
      melody: melody.value,
      click: click.value,
      drone: drone.value,
      backing: along.value,
      silentPart: silentPart.value,
    };
  }

  /** @param from a note or rest of the sheet, to begin there and play to the end. */
  async function start(from: string | null = null): Promise<void> {
    if (playback.value === null) return;
    if (from === null && itsTurns.value !== null) return playTurns(itsTurns.value);
    turns.value = null;
    const bars = from === null ? loopBars.value : null;
    const stretch = {
      bars,
      from,
      perMinute: perMinute.value,
      countIn: countIn.value,
      repeats: repeats.value,
      backing: along.value ? backing.value : null,
    };
    await sound.start(scheduleOf(playback.value, stretch), voices(), bars !== null);
  }

  /** Plays a piece turn by turn, the melody where it is not the class's turn, whatever else is switched off. */
  async function playTurns(wanted: readonly PieceTurn[]): Promise<void> {
    if (playback.value === null || wanted.length === 0) return;
    turns.value = wanted;
    await sound.start(turnsSchedule(playback.value, wanted), { ...voices(), melody: true, click: true });
  }

  /** A change while it plays is heard at once. */
  function changed(): void {
    if (sound.playing.value !== null && turns.value === null) void start();
  }

  function setTempo(tempo: number): void {
    if (tempo >= 20 && tempo <= 240) perMinute.value = tempo;
    changed();
  }

  function switchVoice(voice: 'melody' | 'click' | 'drone' | 'countIn' | 'along'): void {
    const switches = { melody, click, drone, countIn, along };
    switches[voice].value = !switches[voice].value;
    changed();
  }

  function silence(part: number | null): void {
    silentPart.value = part;
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
    along,
    silentPart,
    loopBars,
    now,
    turn,
    error: sound.error,
    playing: sound.playing,
    voices,
    start,
    playTurns,
    stop: sound.stop,
    setTempo,
    switchVoice,
    silence,
    loop,
  };
}
