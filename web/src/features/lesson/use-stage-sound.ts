import type { Instrument } from '@escalier/core/instruments';
import { RUNG_RUNS, type Block, type LessonRun } from '@escalier/core/lesson';
import { byHeight, pitch, pitchName } from '@escalier/core/music';
import { echoTurns, seeded } from '@escalier/core/practice';
import { computed, ref, watch, type Ref } from 'vue';
import { beatOf, clickSchedule, echoSchedule, toggleSchedule, useSound, walkSchedule } from '../../sound/index.ts';
import type { ClassView } from '../classes/index.ts';
import { WITH_TUNE, type SceneId } from './stage.ts';
import type { Happening } from './store.ts';
import type { useStageItems } from './use-stage-items.ts';
import type { useStageTune } from './use-stage-tune.ts';

const BEATS = 4;
const ECHO_TEMPO = 72;
const [SLOWEST, FASTEST] = [30, 208];
const TEMPO_STEP = 4;
/** Rounds of a move, each faster. */
const FASTER = [1, 1.12, 1.25];
/** Scenes that show how one note is played: it is to be heard. */
const SHOWS_NOTE: ReadonlySet<SceneId> = new Set(['fingering', 'facing', 'staff']);
/** How often it sounds. */
const HEARD_NOTES = 4;
/** Low and high notes of a movement break. */
const STRETCHES = 12;
/** What was said longer ago is over. */
const FRESH_MS = 10_000;

interface SoundSources {
  readonly page: Ref<ClassView | null>;
  readonly run: Ref<LessonRun | null>;
  readonly block: Ref<Block | null>;
  readonly scene: Ref<SceneId>;
  readonly on: Ref<Instrument | null>;
  readonly tune: ReturnType<typeof useStageTune>;
  readonly items: ReturnType<typeof useStageItems>;
  /** Tells the other devices; null for one that only follows them. */
  readonly note: ((happening: Happening) => void) | null;
}

/** What is heard on the stage: the tune by its player, all else by schedules of its own. */
export function useStageSound({ page, run, block, scene, on, tune, items, note }: SoundSources) {
  const { player } = tune;
  const sound = useSound();
  const tempo = ref(80);
  let stretched = 0;
  const isPlaying = computed(() => player.playing.value !== null || sound.playing.value !== null);
  const isRunning = computed(() => run.value !== null && run.value.startedAt !== null && run.value.endedAt === null);
  const ladder = computed(() => block.value?.tempi ?? tune.ladder.value);

  function stop(): void {
    player.stop();
    sound.stop();
  }

  function setTempo(perMinute: number): void {
    tempo.value = Math.max(SLOWEST, Math.min(FASTEST, Math.round(perMinute)));
    player.setTempo(tempo.value);
    if (sound.playing.value !== null) void play();
  }

  /** To the next rung of the ladder at a hard spot, some beats a minute elsewhere. */
  function changeTempo(by: 1 | -1): void {
    const above = ladder.value.find((each) => each > tempo.value);
    const below = ladder.value.findLast((each) => each < tempo.value);
    const rung = scene.value === 'spot' ? (by > 0 ? above : below) : undefined;
    setTempo(rung ?? tempo.value + by * TEMPO_STEP);
  }

  async function play(): Promise<void> {
    if (WITH_TUNE.has(scene.value)) return player.start();
    const { pattern, changed, card, move } = items;
    const above = on.value?.soundsAbove ?? 0;
    const voices = { family: on.value?.family ?? 'recorder', melody: true, click: true, drone: false } as const;
    if (scene.value === 'echo' && pattern.value !== null) {
      const turns = echoTurns([0], false, page.value?.style.teaching.echo.turns ?? 1);
      return sound.start(echoSchedule([pattern.value], turns, tempo.value, above), voices);
    }
    const isGame = scene.value === 'changed' || scene.value === 'changed-answer';
    if (isGame && pattern.value !== null && changed.value !== null) {
      const both = [pattern.value, { ...pattern.value, events: changed.value.events }];
      const turns = [0, 1].map((each) => ({ pattern: each, who: 'teacher' as const, reading: false }));
      return sound.start(echoSchedule(both, turns, tempo.value, above), voices);
    }
    if ((scene.value === 'cards' || scene.value === 'partner') && card.value !== null)
      // Once to clap it, then twice on one note.
      return sound.start(echoSchedule([card.value], echoTurns([0, 0, 0], true), tempo.value, above), voices);
    if (scene.value === 'moves' && move.value !== null) {
      const { from, to } = move.value;
      const tempi = FASTER.map((share) => Math.round(tempo.value * share));
      return sound.start(toggleSchedule([pitch(from), pitch(to)], tempi, above), voices);
    }
    const [shown] = block.value?.notes ?? [];
    if (SHOWS_NOTE.has(scene.value) && shown !== undefined) {
      const walk = Array.from({ length: HEARD_NOTES }, () => pitch(shown));
      return sound.start(walkSchedule(walk, Math.round(tempo.value / 2), above), voices);
    }
    if (scene.value === 'stretch') {
      const [low, high] = outermost(tune.info.value?.pitches ?? {});
      if (low !== undefined && high !== undefined) {
        // The same on every device that sounds, another each time.
        const random = seeded((block.value?.seed ?? 1) + ++stretched);
        const walk = Array.from({ length: STRETCHES }, () => pitch(random() < 0.5 ? low : high));
        return sound.start(walkSchedule(walk, Math.round(tempo.value / 2), above), voices);
      }
    }
    return sound.start(clickSchedule(tempo.value, BEATS), { ...voices, melody: false }, true);
  }

  function toggle(): void {
    const starts = !isPlaying.value;
    if (isRunning.value) note?.({ kind: 'play', on: starts, tempo: tempo.value });
    if (starts) void play();
    else stop();
  }

  /** A new part, or rung, or scene: at its own tempo, with what is to be heard of it. */
  function begin(): void {
    stop();
    const rung = run.value?.rung ?? null;
    const how = block.value?.kind === 'tune' && rung !== null ? RUNG_RUNS[rung] : null;
    const isSlow = scene.value === 'spot' || how?.tempo === 'slow' || how?.tempo === 'free';
    const isTogether = block.value?.kind === 'together';
    player.melody.value = how?.melody ?? !isTogether;
    player.along.value = how?.backing ?? isTogether;
    player.click.value = how?.who !== 'one';
    player.loopBars.value = scene.value === 'spot' ? tune.spotBars.value : null;
    const ofTune = isSlow ? ladder.value[0]! : tune.own.value;
    setTempo(WITH_TUNE.has(scene.value) ? ofTune : ECHO_TEMPO);
  }
  watch([scene, () => block.value?.id, () => run.value?.rung, tune.own], begin, { immediate: true, flush: 'post' });
  watch(tune.spotBars, (bars) => scene.value === 'spot' && (player.loopBars.value = bars));

  // Another device has the hand on it.
  let lastHeard = 0;
  watch(
    () => run.value?.play ?? null,
    (said) => {
      if (said === null || said.at === lastHeard || Date.now() - said.at > FRESH_MS) return;
      lastHeard = said.at;
      if (said.on === isPlaying.value) return;
      if (!said.on) return stop();
      setTempo(said.tempo);
      if (note === null) void play();
    },
  );

  const cue = computed(() => (sound.now.value === null ? null : beatOf(sound.now.value)));
  const error = computed(() => player.error.value ?? sound.error.value);
  return { tempo, ladder, isPlaying, isRunning, stop, toggle, setTempo, changeTempo, cue, error };
}

/** The lowest and the highest note of a tune; none of one that is not there yet. */
function outermost(pitches: Readonly<Record<string, string>>): readonly [string?, string?] {
  const all = Object.values(pitches).map(pitch).toSorted(byHeight);
  return all.length === 0 ? [] : [pitchName(all[0]!), pitchName(all.at(-1)!)];
}
