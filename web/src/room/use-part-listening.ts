import { PLAIN_RULE } from '@escalier/core/listening';
import type { Seconds } from '@escalier/core/units';
import { kindTogether, type KindWords } from '@escalier/core/words';
import { computed, shallowRef, watch, type Ref } from 'vue';
import { heardMarks } from '../score/heard-marks.ts';
import type { ScoreMark } from '../score/index.ts';
import { useListener, useTake, type usePlayer } from '../sound/index.ts';
import type { HomePartView } from '../workers/index.ts';
import type { ListenedView, ToListen } from '../workers/listening.ts';
import { useEchoTakes } from './use-echo-takes.ts';
import { useRoom } from './use-room.ts';

/** Longer than a breath, and than a rest in music for beginners. */
const REST: Seconds = 2.5;
const LONGEST: Seconds = 90;

/**
 * A part of the practice that listens, where the family lets it: in the pupil's turns, or after playing along, when the
 * pupil plays alone and is done when it is quiet. What was recorded is gone when it was listened to. Call it in `setup`.
 */
export function usePartListening(
  part: Ref<HomePartView>,
  shown: Ref<string>,
  player: Pick<ReturnType<typeof usePlayer>, 'playing' | 'turn' | 'start' | 'stop'>,
) {
  const { facts, listens } = useRoom();
  const alone = useTake(LONGEST, () => void done(), REST);
  const echoes = useEchoTakes(player.turn);
  const { isThinking, problem, listen } = useListener();
  const views = shallowRef<readonly ListenedView[]>([]);
  const takesTurns = computed(() => part.value.turns?.some(({ who }) => who === 'class') === true);
  let isStopped = false;

  async function play(): Promise<void> {
    forget();
    if (listens.value && takesTurns.value) await echoes.start();
    await player.start();
  }

  function stop(): void {
    isStopped = player.playing.value !== null;
    player.stop();
    echoes.forget();
  }

  watch(player.playing, (now, before) => {
    if (now !== null || before === null) return;
    if (!isStopped && listens.value) void (takesTurns.value ? hearAll(echoes.finish()) : playAlone());
    isStopped = false;
  });

  async function playAlone(): Promise<void> {
    stop();
    forget();
    await alone.start();
  }

  async function done(): Promise<void> {
    const take = alone.finish();
    if (take !== null) await hearAll([{ ...take, stretch: part.value.alone }]);
  }

  async function hearAll(takes: readonly Pick<ToListen, 'samples' | 'rate' | 'stretch'>[]): Promise<void> {
    const { instrumentId, style } = facts.value!;
    const what = { abc: shown.value, instrumentId, naming: style.naming, rule: PLAIN_RULE };
    const heard = await listen((hear) => Promise.all(takes.map((take) => hear({ ...what, ...take }))));
    views.value = (heard ?? []).filter((view) => view !== null);
  }

  function forget(): void {
    alone.forget();
    views.value = [];
  }

  const kindly = computed((): KindWords | null => {
    const [first, ...more] = views.value.map((view) => view.kindly);
    if (first === undefined) return null;
    return more.length === 0 ? first : kindTogether([first, ...more]);
  });
  const marks = computed((): readonly ScoreMark[] =>
    views.value.filter(({ unclear }) => unclear === null).flatMap((view) => heardMarks(view, null)),
  );
  return {
    listens,
    kindly,
    marks,
    isThinking,
    play,
    stop,
    playAlone,
    done,
    isAlone: alone.isOn,
    error: computed(() => echoes.error.value ?? alone.error.value ?? problem.value),
  };
}
