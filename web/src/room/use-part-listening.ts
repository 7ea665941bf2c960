import { kindTogether, type KindWords } from '@escalier/core/words';
import { PLAIN_RULE } from '@escalier/core/listening';
import type { Seconds } from '@escalier/core/units';
import { useLocalStorage } from '@vueuse/core';
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue';
import { heardMarks } from '../score/heard-marks.ts';
import type { ScoreMark } from '../score/index.ts';
import { useTake, type usePlayer } from '../sound/index.ts';
import { PlainError } from '../ui/plain-error.ts';
import type { HomePartView, PieceTurn } from '../workers/index.ts';
import { listeningPool, type ListenedView } from '../workers/listening.ts';
import { useOwnRecording, type Played } from './use-own-recording.ts';
import { useRoom } from './use-room.ts';

/** Longer than a breath, and than a rest in music for beginners. */
const REST: Seconds = 2.5;
/** All turns of a part. */
const LONGEST: Seconds = 180;
/** Whoever answers comes in a little early: before that it is the device that still sounds. */
const EARLY: Seconds = 0.05;

/** The family's switch, kept on the device: the microphone is not asked for before it is on. */
const listens = useLocalStorage('room.listens', false);

interface Answer {
  readonly turn: PieceTurn;
  readonly from: Seconds;
  to: Seconds;
}

/** What the microphone heard in the turns of the pupil, one recording for all of them. Call it in `setup`. */
function useAnswers(turn: Ref<PieceTurn | null>) {
  const take = useTake(LONGEST);
  const pool = listeningPool();
  onScopeDispose(() => pool.cancel());
  let answers: Answer[] = [];

  watch(
    turn,
    (now, before) => {
      const last = answers.at(-1);
      if (before?.who === 'class' && last !== undefined) last.to = take.soFar();
      if (now?.who === 'class' && take.isOn.value) answers.push({ turn: now, from: take.soFar(), to: Infinity });
    },
    { flush: 'sync' },
  );

  async function start(): Promise<void> {
    answers = [];
    await take.start();
  }

  /** Each answer held against what was to be played; empty where nobody had a turn. */
  async function finish(played: Played): Promise<readonly ListenedView[]> {
    const made = take.finish();
    if (made === null) return [];
    const cut = (from: Seconds, to: Seconds) =>
      made.samples.slice(Math.max(0, Math.round(from * made.rate)), Math.min(made.samples.length, to * made.rate));
    const heard = await Promise.all(
      answers.map(({ turn: stretch, from, to }) =>
        pool.listen({ ...played, stretch, samples: cut(from - EARLY, to), rate: made.rate, rule: PLAIN_RULE }),
      ),
    );
    return heard.filter((view) => view !== null);
  }

  return { error: take.error, isOn: take.isOn, start, finish, forget: take.forget };
}

/**
 * A part of the practice that listens, where the family lets it: in the pupil's turns, or after playing along, when the
 * pupil plays alone and is done when it is quiet. Call it in `setup`.
 */
export function usePartListening(
  part: Ref<HomePartView>,
  shown: Ref<string>,
  player: Pick<ReturnType<typeof usePlayer>, 'playing' | 'turn' | 'start' | 'stop'>,
) {
  const { facts } = useRoom();
  const alone = useOwnRecording(REST);
  const answers = useAnswers(player.turn);
  const answered = shallowRef<readonly ListenedView[]>([]);
  const isThinking = ref(false);
  const problem = ref<string | null>(null);
  const takesTurns = computed(() => part.value.turns?.some(({ who }) => who === 'class') === true);
  let isStopped = false;

  const played = (): Played => {
    const { instrumentId, style } = facts.value!;
    return { abc: shown.value, instrumentId, naming: style.naming, stretch: part.value.alone };
  };

  async function play(): Promise<void> {
    forget();
    if (listens.value && takesTurns.value) await answers.start();
    await player.start();
  }

  function stop(): void {
    isStopped = player.playing.value !== null;
    player.stop();
    answers.forget();
  }

  watch(player.playing, (now, before) => {
    if (now !== null || before === null) return;
    if (!isStopped && listens.value) void (takesTurns.value ? hearAnswers() : playAlone());
    isStopped = false;
  });

  async function hearAnswers(): Promise<void> {
    isThinking.value = true;
    try {
      answered.value = await answers.finish(played());
    } catch (mishap) {
      if (!(mishap instanceof PlainError)) throw mishap;
      problem.value = mishap.message;
    } finally {
      isThinking.value = false;
    }
  }

  async function playAlone(): Promise<void> {
    stop();
    forget();
    await alone.start(played());
  }

  function forget(): void {
    alone.forget();
    [answered.value, problem.value] = [[], null];
  }

  const views = computed(() => (alone.view.value === null ? answered.value : [alone.view.value]));
  const kindly = computed((): KindWords | null => {
    if (alone.view.value !== null) return alone.view.value.kindly;
    return answered.value.length === 0 ? null : kindTogether(answered.value.map((view) => view.kindly));
  });
  const marks = computed((): readonly ScoreMark[] =>
    views.value.filter(({ unclear }) => unclear === null).flatMap((view) => heardMarks(view, null)),
  );
  return {
    ...{ listens, kindly, marks, play, stop, playAlone },
    isAlone: alone.isOn,
    done: alone.finish,
    isThinking: computed(() => isThinking.value || alone.isThinking.value),
    error: computed(() => answers.error.value ?? alone.error.value ?? problem.value),
  };
}
