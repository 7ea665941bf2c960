import { findInstrument } from '@escalier/core/instruments';
import type { Block, LessonRun } from '@escalier/core/lesson';
import { blockTitle } from '@escalier/core/words';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useMute } from '../../sound/index.ts';
import { useNoteLesson } from '../notes/index.ts';
import { useSession } from '../schools/index.ts';
import { stageView } from './stage-view.ts';
import { EMPTY_STAGE, SCENES, usualScene, WITH_SHEET, type SceneId, type Stage } from './stage.ts';
import type { Happening } from './store.ts';
import type { usePlan } from './use-plan.ts';
import { useStageItems } from './use-stage-items.ts';
import { useStageSound } from './use-stage-sound.ts';
import { useStageTune } from './use-stage-tune.ts';
import { useStageTurns } from './use-stage-turns.ts';

const QUIET_MS = 10_000;

/**
 * What the class is shown and hears in a lesson, and the teacher's hand on it.
 * @param note tells the other devices; null for one that only follows them.
 */
export function useStage(planning: ReturnType<typeof usePlan>, note: ((happening: Happening) => void) | null) {
  const { page, run, step, speech, lessonStep, history } = planning;
  const session = useSession();
  const muted = useMute();

  const block = computed((): Block | null => run.value?.plan?.blocks[run.value.index] ?? null);
  /** Chosen by the teacher for this part; null for the usual one. */
  const chosen = ref<SceneId | null>(null);
  const scene = computed((): SceneId => chosen.value ?? (run.value === null ? 'title' : usualScene(run.value)));
  const named = ref(true);
  const dark = useLocalStorage('escalier.dark-wall', false);
  const on = computed(() => findInstrument(page.value?.instrumentId ?? ''));
  const position = computed(() => step.value?.position ?? Math.max(1, page.value?.steps.length ?? 1));
  const tune = useStageTune(page, position, scene, block);

  /** The note of this part: a new one, or what was weak. */
  const noteName = computed(() => {
    const { notes, weak } = block.value ?? {};
    return notes?.[0] ?? (weak?.kind === 'move' ? weak.to : weak?.kind === 'note' ? weak.note : null);
  });
  const classId = computed(() => planning.lessons.classId);
  const { lesson: noteLesson } = useNoteLesson(classId, noteName);
  const items = useStageItems({ scene, block, noteLesson, lessonStep, history, bare: tune.bare });
  watch(items.at, (at) => (tune.bareAt.value = at));
  const sound = useStageSound({ page, run, block, scene, on, tune, items, note });
  const lessonNumber = computed(() => planning.lesson.value?.number ?? 1);
  const turns = useStageTurns(page, lessonNumber);

  /** Lines of the sheet that the teacher has turned to. */
  const turned = ref(0);
  watch([scene, () => tune.info.value?.abc, tune.player.now], () => (turned.value = 0));
  const hasAnswered = ref(false);
  watch([scene, items.pattern], () => (hasAnswered.value = false));
  watch(sound.cue, (now, before) => {
    if (now === null && before !== null && before.turn > 0) hasAnswered.value = true;
  });

  const quietAt = ref<number | null>(null);
  watch(scene, (now) => (quietAt.value = now === 'quiet' ? Date.now() + QUIET_MS : null));

  const stage = computed((): Stage => {
    if (page.value === null) return EMPTY_STAGE;
    const view = stageView({
      scene: scene.value,
      page: page.value,
      on: on.value,
      named: named.value,
      say: speech.value.say,
      blockTitle: block.value === null ? null : blockTitle(block.value, speech.value),
      stepTitle: step.value?.title ?? null,
      colours: page.value.style.teaching.coloured ? (session.me?.noteColours ?? null) : null,
      info: tune.info.value,
      way: tune.way.value,
      marks: tune.marks.value,
      noteLesson: noteLesson.value,
      pattern: items.pattern.value,
      changed: items.changed.value,
      cards: items.cards.value,
      at: items.at.value,
      move: items.move.value,
      cue: sound.cue.value,
      hasAnswered: hasAnswered.value,
      now: tune.player.now.value,
    });
    return {
      ...view,
      words: tune.lines.value,
      turned: turned.value,
      part: partTime(run.value),
      dark: dark.value,
      turn: turns.turn.value,
      quietAt: quietAt.value,
      belts: planning.toHand.value.map(({ name, belt }) => ({ name, belt })),
      ladder: scene.value === 'spot' ? sound.ladder.value : [],
      tempo: sound.tempo.value,
    };
  });

  function show(next: SceneId | null): void {
    chosen.value = next;
    if (sound.isRunning.value) note?.({ kind: 'scene', scene: next });
  }
  watch([() => block.value?.id, () => run.value?.rung, () => run.value?.scene], ([, , said]) => {
    chosen.value = SCENES.find(({ id }) => id === said)?.id ?? null;
  });

  /** Silence, at once and for everything. */
  function silence(): void {
    sound.stop();
    muted.value = !muted.value;
  }

  /** The next pattern, card or version; where there is none, the next lines of the sheet. */
  function nextItem(by: number): void {
    if (items.count.value === 0) return void (turned.value += by);
    sound.stop();
    items.go(by);
  }

  const switchDark = (): void => void (dark.value = !dark.value);
  const switchNames = (): void => void (named.value = !named.value);
  const { tempo, isPlaying, toggle, stop, changeTempo, setTempo, error } = sound;
  return {
    block,
    scene,
    stage,
    show,
    named,
    switchNames,
    dark,
    switchDark,
    tune,
    player: tune.player,
    turns,
    tempo,
    isPlaying,
    toggle,
    stop,
    changeTempo,
    setTempo,
    silence,
    muted,
    error,
    items: items.count,
    canTurn: computed(() => WITH_SHEET.has(scene.value) && items.count.value === 0),
    itemAt: items.at,
    nextItem,
  };
}

/** When the part that is on began and is to end, with the time that it had before; null outside of a lesson. */
function partTime(run: LessonRun | null): Stage['part'] {
  const block = run?.plan?.blocks[run.index];
  if (run === null || block === undefined || run.endedAt !== null) return null;
  const from = run.since - (run.spent[block.id] ?? 0) * 1000;
  return { from, until: from + block.minutes * 60_000 };
}
