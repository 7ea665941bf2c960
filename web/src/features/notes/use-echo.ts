import { pitchName } from '@escalier/core/music';
import {
  changeOne,
  DEFAULT_PER_GRADE,
  ECHO_GRADES,
  echoPlace,
  echoTurns,
  type ChangedPattern,
  type EchoGrade,
} from '@escalier/core/practice';
import { gapWords } from '@escalier/core/words';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { beatOf, echoSchedule, useSound } from '../../sound/index.ts';
import { tuneWorker, type WrittenEcho, type WrittenEchoSet } from '../../workers/index.ts';
import { echoNotes, type NoteLesson } from './lesson.ts';

const FIRST_TEMPO = 72;
const SLOWER = 8;
const SLOWEST = 40;
const FASTEST = 140;

/** A pattern with its place in the set. */
export interface PlacedEcho extends WrittenEcho {
  readonly place: string;
  readonly pinned: boolean;
}

/** The patterns of a lesson: made in the worker, and made anew around those that are pinned. */
function useEchoSet(lesson: Ref<NoteLesson>, values: Ref<readonly string[]>) {
  const set = shallowRef<WrittenEchoSet | null>(null);
  const pinned = shallowRef<ReadonlyMap<string, WrittenEcho>>(new Map());
  const seed = ref(1);
  let asked = 0;

  async function make(): Promise<void> {
    const mine = ++asked;
    const { on, note } = lesson.value;
    const made = await tuneWorker().echoSet({
      instrumentId: on.id,
      notes: echoNotes(lesson.value),
      newNote: pitchName(note),
      elements: [...values.value],
      perGrade: DEFAULT_PER_GRADE,
      seed: seed.value,
      pinned: [...pinned.value],
    });
    if (mine === asked) set.value = made;
  }

  const patterns = computed((): readonly PlacedEcho[] => {
    const all = set.value?.patterns ?? [];
    return ECHO_GRADES.flatMap((each) =>
      all
        .filter((pattern) => pattern.grade === each)
        .map((pattern, index) => {
          const place = echoPlace(each, index);
          return { ...pattern, place, pinned: pinned.value.has(place) };
        }),
    );
  });

  function shuffle(): void {
    seed.value += 1;
    void make();
  }

  function pin(pattern: PlacedEcho): void {
    const next = new Map(pinned.value);
    if (!next.delete(pattern.place)) next.set(pattern.place, pattern);
    pinned.value = next;
  }

  watch(
    [lesson, values],
    () => {
      pinned.value = new Map();
      void make();
    },
    { immediate: true },
  );

  return { set, patterns, shuffle, pin };
}

/** Patterns played turn by turn, the class after the teacher, at a tempo that can be changed while they sound. */
function useEchoPlay(lesson: Ref<NoteLesson>, rounds: Ref<number>) {
  const sound = useSound();
  const tempo = ref(FIRST_TEMPO);
  /** Patterns that sound now, and how. */
  const run = shallowRef<{ readonly patterns: readonly PlacedEcho[]; readonly reading: boolean } | null>(null);

  function play(chosen: readonly PlacedEcho[], reading: boolean): void {
    run.value = { patterns: chosen, reading };
    change.value = null;
    const turns = echoTurns([...chosen.keys()], reading, rounds.value);
    const { on } = lesson.value;
    const schedule = echoSchedule(chosen, turns, tempo.value, on.soundsAbove);
    void sound.start(schedule, { family: on.family, melody: true, click: true, drone: false });
  }

  const now = computed(() => {
    const id = sound.now.value;
    if (id === null || run.value === null) return null;
    const { turn, beat } = beatOf(id);
    const { patterns: chosen, reading } = run.value;
    const played = turn < 0 ? null : echoTurns([...chosen.keys()], reading, rounds.value)[turn];
    const who = reading ? ('read' as const) : (played?.who ?? null);
    return { beat, whose: turn < 0 ? ('count' as const) : who, place: chosen[played?.pattern ?? 0]?.place ?? null };
  });

  /** The game: one pattern as it was, then with a note changed; null when none is played. */
  const change = shallowRef<ChangedPattern | null>(null);
  let changes = 0;
  function playChanged(pattern: PlacedEcho): void {
    const { on, known, note } = lesson.value;
    change.value = changeOne(pattern.events, [...known, note], ++changes);
    if (change.value === null) return;
    run.value = null;
    const both = [pattern, { ...pattern, events: change.value.events }];
    const turns = [0, 1].map((each) => ({ pattern: each, who: 'teacher' as const, reading: false }));
    const voices = { family: on.family, melody: true, click: true, drone: false };
    void sound.start(echoSchedule(both, turns, tempo.value, on.soundsAbove), voices);
  }

  function changeTempo(by: number): void {
    tempo.value = Math.max(SLOWEST, Math.min(FASTEST, tempo.value + by));
    if (sound.playing.value !== null && run.value !== null) play(run.value.patterns, run.value.reading);
  }

  return {
    tempo,
    run,
    now,
    play,
    change,
    playChanged,
    error: sound.error,
    playing: sound.playing,
    stop: sound.stop,
    slower: () => changeTempo(-SLOWER),
    faster: () => changeTempo(SLOWER),
  };
}

/**
 * The echo patterns of a lesson, a grade at a time, and playing them.
 * @param values rhythm elements that the patterns may have.
 * @param rounds how often each is played and answered.
 */
export function useEcho(lesson: Ref<NoteLesson>, values: Ref<readonly string[]>, rounds: Ref<number>) {
  const { shuffle, ...made } = useEchoSet(lesson, values);
  const playing = useEchoPlay(lesson, rounds);
  const grade = ref<EchoGrade>('one-note');
  const shown = computed(() => made.patterns.value.filter((pattern) => pattern.grade === grade.value));
  const whyMissing = computed(() => {
    const gap = made.set.value?.missing.find((each) => each.grade === grade.value)?.reason;
    return gap === undefined ? null : gapWords(gap);
  });
  return {
    ...made,
    ...playing,
    grade,
    shown,
    whyMissing,
    shuffle: () => {
      playing.stop();
      shuffle();
    },
  };
}
