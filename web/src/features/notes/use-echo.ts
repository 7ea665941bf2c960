import { pitchName } from '@escalier/core/music';
import { DEFAULT_PER_GRADE, ECHO_GRADES, echoPlace, echoTurns, type EchoGrade } from '@escalier/core/practice';
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

/** The echo patterns of a lesson: made, shuffled around what is pinned, played turn by turn. */
export function useEcho(lesson: Ref<NoteLesson>) {
  const set = shallowRef<WrittenEchoSet | null>(null);
  const pinned = shallowRef<ReadonlyMap<string, WrittenEcho>>(new Map());
  const grade = ref<EchoGrade>('one-note');
  const tempo = ref(FIRST_TEMPO);
  const seed = ref(1);
  const sound = useSound();
  /** Patterns that sound now, and how. */
  const run = shallowRef<{ readonly patterns: readonly PlacedEcho[]; readonly reading: boolean } | null>(null);
  let asked = 0;

  async function make(): Promise<void> {
    const mine = ++asked;
    const { on, note, elements } = lesson.value;
    const made = await tuneWorker().echoSet({
      instrumentId: on.id,
      notes: echoNotes(lesson.value),
      newNote: pitchName(note),
      elements: [...elements],
      perGrade: DEFAULT_PER_GRADE,
      seed: seed.value,
      keep: [...pinned.value],
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
  const shown = computed(() => patterns.value.filter((each) => each.grade === grade.value));
  const whyMissing = computed(() => set.value?.missing.find((each) => each.grade === grade.value)?.reason ?? null);

  function shuffle(): void {
    sound.stop();
    seed.value += 1;
    void make();
  }

  function pin(pattern: PlacedEcho): void {
    const next = new Map(pinned.value);
    if (!next.delete(pattern.place)) next.set(pattern.place, pattern);
    pinned.value = next;
  }

  function play(chosen: readonly PlacedEcho[], reading: boolean): void {
    run.value = { patterns: chosen, reading };
    const turns = echoTurns([...chosen.keys()], reading);
    const { on } = lesson.value;
    const schedule = echoSchedule(chosen, turns, tempo.value, on.soundsAbove);
    void sound.start(schedule, { family: on.family, melody: true, click: true, drone: false });
  }

  const now = computed(() => {
    const id = sound.now.value;
    if (id === null || run.value === null) return null;
    const { turn, beat } = beatOf(id);
    const { patterns: chosen, reading } = run.value;
    const played = turn < 0 ? null : echoTurns([...chosen.keys()], reading)[turn];
    const who = reading ? ('read' as const) : (played?.who ?? null);
    return { beat, whose: turn < 0 ? ('count' as const) : who, place: chosen[played?.pattern ?? 0]?.place ?? null };
  });

  function changeTempo(by: number): void {
    tempo.value = Math.max(SLOWEST, Math.min(FASTEST, tempo.value + by));
    if (sound.playing.value !== null && run.value !== null) play(run.value.patterns, run.value.reading);
  }

  watch(
    lesson,
    () => {
      pinned.value = new Map();
      void make();
    },
    { immediate: true },
  );

  return {
    set,
    patterns,
    shown,
    grade,
    whyMissing,
    tempo,
    now,
    run,
    error: sound.error,
    playing: sound.playing,
    stop: sound.stop,
    shuffle,
    pin,
    play,
    slower: () => changeTempo(-SLOWER),
    faster: () => changeTempo(SLOWER),
  };
}
