import type { Block, LessonHistory, LessonStep, MoveNames } from '@escalier/core/lesson';
import { pitch, pitchName } from '@escalier/core/music';
import { changeOne, type ChangedPattern } from '@escalier/core/practice';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { tuneWorker, type WayIn, type WrittenEcho } from '../../workers/index.ts';
import { echoNotes, type NoteLesson } from '../notes/index.ts';
import { ownCards, stageCards, type StageCard } from './cards.ts';
import type { SceneId } from './stage.ts';

const CARDS = 8;
const PATTERNS = 2;
/** One game: what is asked, and its answer. */
const CHANGED: ReadonlySet<SceneId> = new Set(['changed', 'changed-answer']);

interface ItemSources {
  readonly scene: Ref<SceneId>;
  readonly block: Ref<Block | null>;
  readonly noteLesson: Ref<NoteLesson | null>;
  readonly lessonStep: Ref<LessonStep | null>;
  readonly history: Ref<LessonHistory | null>;
  /** Bare versions of the tune, each with more of its notes. */
  readonly bare: Ref<readonly WayIn[]>;
}

/** The notes of a warm-up or of an echo together, the one to dwell on first; null in other parts. */
function echoedNotes(block: Block | null): readonly string[] | null {
  const { kind, notes = [] } = block ?? {};
  return (kind === 'warm-up' || kind === 'together') && notes.length > 0 ? notes : null;
}

/** What is gone through one after the other: echo patterns, rhythm cards, pairs of notes, versions of a tune. */
export function useStageItems({ scene, block, noteLesson, lessonStep, history, bare }: ItemSources) {
  const at = ref(0);
  watch(scene, (now, before) => {
    // The answer is that of the pattern that was played.
    if (!(CHANGED.has(now) && CHANGED.has(before))) at.value = 0;
  });

  const patterns = shallowRef<readonly WrittenEcho[]>([]);
  watch(
    [noteLesson, () => block.value?.seed, () => echoedNotes(block.value)?.join()],
    async ([lesson, seed = 1]) => {
      patterns.value = [];
      if (lesson === null) return;
      // Before the new note of a lesson was shown, nothing echoes it.
      const notes = echoedNotes(block.value) ?? echoNotes(lesson);
      const [dwelling] = echoedNotes(block.value) ?? [pitchName(lesson.note)];
      const made = await tuneWorker().echoSet({
        instrumentId: lesson.on.id,
        notes,
        newNote: dwelling!,
        pinned: [],
        elements: [...lesson.elements],
        perGrade: PATTERNS,
        seed,
      });
      if (noteLesson.value === lesson) patterns.value = made.patterns;
    },
    { immediate: true },
  );

  /** The class's own first, then such as fit what it knows. */
  const cards = computed((): readonly StageCard[] => {
    const lesson = noteLesson.value;
    if (lesson === null) return [];
    const note = pitchName(lesson.known[0] ?? lesson.note);
    const own = ownCards(history.value?.patterns ?? [], note);
    return [...own, ...stageCards(lesson.elements, note, CARDS, block.value?.seed ?? 1)];
  });
  const moves = computed((): readonly MoveNames[] => {
    const own = block.value?.moves ?? [];
    return own.length > 0 ? own : (lessonStep.value?.moves ?? []);
  });

  const counts = computed((): Partial<Record<SceneId, number>> => ({
    echo: patterns.value.length,
    changed: patterns.value.length,
    'changed-answer': patterns.value.length,
    cards: cards.value.length,
    partner: cards.value.length,
    moves: moves.value.length,
    grow: bare.value.length,
  }));
  /** The pattern with one note changed, the same each time. */
  const changed = computed((): ChangedPattern | null => {
    const [lesson, pattern] = [noteLesson.value, patterns.value[at.value]];
    if (lesson === null || pattern === undefined) return null;
    const notes = (echoedNotes(block.value) ?? echoNotes(lesson)).map(pitch);
    return changeOne(pattern.events, notes, (block.value?.seed ?? 1) + at.value);
  });
  const count = computed(() => counts.value[scene.value] ?? 0);

  return {
    at,
    count,
    pattern: computed(() => patterns.value[at.value] ?? null),
    changed,
    card: computed(() => cards.value[at.value] ?? null),
    cards,
    move: computed(() => moves.value[at.value] ?? null),
    go: (by: number) => (at.value = (at.value + by + count.value) % Math.max(1, count.value)),
  };
}
