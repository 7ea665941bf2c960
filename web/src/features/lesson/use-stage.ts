import { findInstrument } from '@escalier/core/instruments';
import { RUNG_RUNS, type Block } from '@escalier/core/lesson';
import { pitch, pitchName } from '@escalier/core/music';
import { echoTurns, postureChecks, type NoteRow } from '@escalier/core/practice';
import { blockTitle } from '@escalier/core/words';
import { computed, ref, shallowRef, watch } from 'vue';
import { beatOf, clickSchedule, echoSchedule, toggleSchedule, useMute, useSound } from '../../sound/index.ts';
import { noteWords } from '../../ui/note-words.ts';
import { tuneWorker, type WrittenEcho } from '../../workers/index.ts';
import { echoNotes, useNoteLesson } from '../notes/index.ts';
import { useSession } from '../schools/index.ts';
import { ownCards, partnerCard, staffSheet, stageCards } from './cards.ts';
import { EMPTY_STAGE, SCENES, sceneLabel, usualScene, type SceneId, type Stage, type StageSheet } from './stage.ts';
import type { Happening } from './store.ts';
import type { usePlan } from './use-plan.ts';
import { useStageTune } from './use-stage-tune.ts';
import { useStageTurns } from './use-stage-turns.ts';

const CARDS = 8;
const PATTERNS = 2;
const BEATS = 4;
const [SLOWEST, FASTEST] = [30, 208];
const TEMPO_STEP = 4;
const QUIET_MS = 10_000;
/** What was said longer ago is over. */
const FRESH_MS = 10_000;

/** Scenes in which the tune is gone through with the player. */
const WITH_TUNE: ReadonlySet<SceneId> = new Set<SceneId>([
  ...(['names', 'words', 'chant', 'silent', 'tune', 'spot', 'one-note', 'grow', 'breaths', 'parts'] as const),
]);
/** Those of them that show its sheet. */
const WITH_SHEET: ReadonlySet<SceneId> = new Set<SceneId>(['tune', 'spot', 'one-note', 'grow', 'breaths', 'parts']);

/**
 * What the class is shown and hears in a lesson, and the teacher's hand on it.
 * @param note tells the other devices; null for one that only follows them.
 */
export function useStage(planning: ReturnType<typeof usePlan>, note: ((happening: Happening) => void) | null) {
  const { page, run, step, speech, lessonStep } = planning;
  const session = useSession();
  const muted = useMute();

  const block = computed((): Block | null => run.value?.plan?.blocks[run.value.index] ?? null);
  /** Chosen by the teacher for this part; null for the usual one. */
  const chosen = ref<SceneId | null>(null);
  const scene = computed((): SceneId => chosen.value ?? (run.value === null ? 'title' : usualScene(run.value)));
  const named = ref(true);
  const position = computed(() => step.value?.position ?? Math.max(1, page.value?.steps.length ?? 1));
  const tune = useStageTune(page, position, scene, block);
  const { player } = tune;

  const noteName = computed(() => {
    const now = block.value;
    const weak = now?.weak;
    return now?.notes?.[0] ?? (weak?.kind === 'move' ? weak.to : weak?.kind === 'note' ? weak.note : null);
  });
  const classId = computed(() => planning.lessons.classId);
  const { lesson: noteLesson } = useNoteLesson(classId, noteName);
  const on = computed(() => findInstrument(page.value?.instrumentId ?? ''));

  /** Which pattern, card or pair of notes is shown. */
  const itemAt = ref(0);
  const patterns = shallowRef<readonly WrittenEcho[]>([]);
  watch(
    [noteLesson, () => block.value?.seed],
    async ([lesson]) => {
      patterns.value = [];
      if (lesson === null) return;
      const made = await tuneWorker().echoSet({
        ...{ instrumentId: lesson.on.id, notes: echoNotes(lesson), newNote: pitchName(lesson.note), pinned: [] },
        ...{ elements: [...lesson.elements], perGrade: PATTERNS, seed: block.value?.seed ?? 1 },
      });
      if (noteLesson.value === lesson) patterns.value = made.patterns;
    },
    { immediate: true },
  );
  const cards = computed(() => {
    const lesson = noteLesson.value;
    const first = lesson?.known[0] ?? lesson?.note;
    return lesson === null || first === undefined
      ? []
      : [
          ...ownCards(planning.history.value?.patterns ?? [], pitchName(first)),
          ...stageCards(lesson.elements, pitchName(first), CARDS, block.value?.seed ?? 1),
        ];
  });
  const moves = computed(() => {
    const own = block.value?.moves ?? [];
    return own.length > 0 ? own : (lessonStep.value?.moves ?? []);
  });
  const items = computed(() => {
    if (scene.value === 'echo') return patterns.value.length;
    if (scene.value === 'cards' || scene.value === 'partner') return cards.value.length;
    if (scene.value === 'moves') return moves.value.length;
    return scene.value === 'grow' ? tune.bare.value.length : 0;
  });
  watch(scene, () => (itemAt.value = 0));
  watch(itemAt, (at) => (tune.bareAt.value = at));

  const tempo = ref(80);
  let lastPlay = 0;
  const isStarted = computed(() => run.value !== null && run.value.startedAt !== null && run.value.endedAt === null);
  const sound = useSound();
  const isPlaying = computed(() => player.playing.value !== null || sound.playing.value !== null);
  const turns = useStageTurns(
    page,
    computed(() => planning.lesson.value?.number ?? 1),
  );
  const quietAt = ref<number | null>(null);

  /** A new part, or rung, or scene: at its own tempo, with what is to be heard of it. */
  watch(
    [scene, () => block.value?.id, () => run.value?.rung, tune.own],
    () => {
      stop();
      const rung = run.value?.rung ?? null;
      const how = block.value?.kind === 'tune' && rung !== null ? RUNG_RUNS[rung] : null;
      const slow = block.value?.tempi?.[0] ?? tune.ladder.value[0]!;
      const isSlow = scene.value === 'spot' || how?.tempo === 'slow' || how?.tempo === 'free';
      const isTogether = block.value?.kind === 'together';
      player.melody.value = how?.melody ?? !isTogether;
      player.along.value = how?.backing ?? isTogether;
      player.click.value = true;
      player.loopBars.value = scene.value === 'spot' ? tune.spotBars.value : null;
      setTempo(WITH_TUNE.has(scene.value) ? (isSlow ? slow : tune.own.value) : 72);
      quietAt.value = scene.value === 'quiet' ? Date.now() + QUIET_MS : null;
    },
    { immediate: true, flush: 'post' },
  );
  watch(tune.spotBars, (bars) => scene.value === 'spot' && (player.loopBars.value = bars));

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
    const ladder = block.value?.tempi ?? tune.ladder.value;
    const next =
      scene.value === 'spot'
        ? by > 0
          ? ladder.find((each) => each > tempo.value)
          : ladder.findLast((each) => each < tempo.value)
        : undefined;
    setTempo(next ?? tempo.value + by * TEMPO_STEP);
  }

  async function play(): Promise<void> {
    if (WITH_TUNE.has(scene.value)) return player.start();
    const voices = { family: on.value?.family ?? 'recorder', melody: true, click: true, drone: false } as const;
    const above = on.value?.soundsAbove ?? 0;
    const rounds = page.value?.style.teaching.echo.turns ?? 1;
    if (scene.value === 'echo') {
      const pattern = patterns.value[itemAt.value];
      if (pattern === undefined) return;
      return sound.start(echoSchedule([pattern], echoTurns([0], false, rounds), tempo.value, above), voices);
    }
    if (scene.value === 'cards' || scene.value === 'partner') {
      const card = cards.value[itemAt.value];
      if (card === undefined) return;
      // Once counted to clap, then twice more: on one note.
      return sound.start(echoSchedule([card], echoTurns([0, 0, 0], true), tempo.value, above), voices);
    }
    const pair = moves.value[itemAt.value];
    if (scene.value === 'moves' && pair !== undefined) {
      const tempi = [1, 1.12, 1.25].map((share) => Math.round(tempo.value * share));
      return sound.start(toggleSchedule([pitch(pair.from), pitch(pair.to)], tempi, above), voices);
    }
    return sound.start(clickSchedule(tempo.value, BEATS), { ...voices, melody: false }, true);
  }

  function toggle(): void {
    const on = !isPlaying.value;
    if (isStarted.value) note?.({ kind: 'play', on, tempo: tempo.value });
    if (on) void play();
    else stop();
  }
  // Another device has the hand on it.
  watch(
    () => run.value?.play ?? null,
    (said) => {
      if (said === null || said.at === lastPlay || Date.now() - said.at > FRESH_MS) return;
      lastPlay = said.at;
      if (said.on === isPlaying.value) return;
      if (!said.on) return stop();
      setTempo(said.tempo);
      if (note === null) void play();
    },
  );

  /** Silence, at once and for everything. */
  function silence(): void {
    stop();
    muted.value = !muted.value;
  }

  function nextItem(by: number): void {
    if (items.value === 0) return;
    stop();
    itemAt.value = (itemAt.value + by + items.value) % items.value;
  }

  const cue = computed(() => (sound.now.value === null ? null : beatOf(sound.now.value)));
  const whose = computed((): Stage['whose'] => {
    if (cue.value === null || (scene.value !== 'echo' && scene.value !== 'cards' && scene.value !== 'partner'))
      return null;
    if (cue.value.turn < 0) return 'count';
    if (scene.value !== 'echo') return 'read';
    return cue.value.turn % 2 === 0 ? 'teacher' : 'class';
  });

  const sheet = computed((): StageSheet | null => {
    const open = page.value;
    const info = tune.info.value;
    if (open === null) return null;
    const { counting, naming, teaching } = open.style;
    const sayings = { syncopation: teaching.syncopation, rest: teaching.restWord };
    const base = {
      ...{ instrumentId: open.instrumentId, counting, sayings, marks: [], plain: false, second: null },
      colours: teaching.coloured ? (session.me?.noteColours ?? null) : null,
    };
    const rows: readonly NoteRow[] = named.value ? [{ kind: naming, fill: 'full' }] : [];
    if (WITH_SHEET.has(scene.value) && info !== null) {
      const abc = tune.way.value?.abc ?? info.abc;
      return { ...base, abc, title: info.reading.title, rows, marks: tune.marks.value };
    }
    if (scene.value === 'staff' && noteLesson.value !== null) return { ...base, ...staffSheet(noteLesson.value), rows };
    if (scene.value === 'echo') {
      const pattern = patterns.value[itemAt.value];
      return pattern === undefined ? null : { ...base, abc: pattern.abc, title: 'Echo', rows };
    }
    if (scene.value === 'cards' || scene.value === 'partner') {
      const card = cards.value[itemAt.value];
      const counted: readonly NoteRow[] = named.value ? [{ kind: 'counting', fill: 'full' }] : [];
      const second = scene.value === 'partner' ? (partnerCard(cards.value, itemAt.value)[1]?.abc ?? null) : null;
      return card === undefined ? null : { ...base, abc: card.abc, title: 'Rhythm card', rows: counted, second };
    }
    return null;
  });

  const finger = computed((): Stage['finger'] => {
    const lesson = noteLesson.value;
    if (on.value === null) return null;
    const picture = (note: string, from: string | null, view: 'pupil' | 'facing' = 'pupil') => ({
      ...{ instrumentId: on.value!.id, note, from, view },
      label: lesson === null ? noteWords(note) : lesson.name(pitch(note)),
    });
    if (scene.value === 'silent') {
      const { info } = tune;
      const first = info.value?.playback.notes[0]?.id;
      const note = info.value?.pitches[player.now.value ?? first ?? ''];
      return note === undefined ? null : picture(note, null);
    }
    if (scene.value === 'moves') {
      const pair = moves.value[itemAt.value];
      if (pair === undefined) return null;
      const isBack = cue.value !== null && cue.value.beat % 2 === 0;
      return isBack ? picture(pair.to, pair.from) : picture(pair.from, cue.value === null ? null : pair.to);
    }
    if (lesson === null || (scene.value !== 'fingering' && scene.value !== 'facing' && scene.value !== 'staff'))
      return null;
    const from = lesson.bridge === null ? null : pitchName(lesson.bridge.from);
    return picture(pitchName(lesson.note), from, scene.value === 'facing' ? 'facing' : 'pupil');
  });

  const lines = computed((): readonly string[] => {
    const open = page.value;
    if (open === null) return [];
    if (scene.value === 'posture')
      return postureChecks(on.value?.family ?? 'recorder', open.style.posture, open.style.teaching);
    if (scene.value === 'staff' && noteLesson.value !== null)
      return [`${noteLesson.value.label} is ${noteLesson.value.staffPlace}.`, noteLesson.value.comparison];
    return [];
  });

  const about = computed((): string => {
    if (scene.value === 'moves') {
      const pair = moves.value[itemAt.value];
      return pair === undefined ? '' : `${noteWords(pair.from)} to ${noteWords(pair.to)} and back`;
    }
    if (scene.value === 'grow') return tune.way.value?.about ?? '';
    return '';
  });
  const heading = computed(() => {
    if (scene.value === 'title') return step.value?.title ?? page.value?.name ?? '';
    if (scene.value === 'grow') return 'Which tune is it?';
    if (scene.value === 'belts') return 'Belts today';
    if (scene.value === 'turn') return 'Whose turn';
    if (scene.value === 'posture') return 'Ready to play';
    if (WITH_TUNE.has(scene.value)) return tune.info.value?.reading.title ?? '';
    return block.value === null ? sceneLabel(scene.value) : blockTitle(block.value, speech.value);
  });

  const stage = computed((): Stage => ({
    ...EMPTY_STAGE,
    ...{ scene: scene.value, heading: heading.value, about: about.value, lines: lines.value, sheet: sheet.value },
    ...{ words: tune.lines.value, finger: finger.value, named: named.value, turn: turns.turn.value },
    belts: planning.toHand.value.map(({ name, belt }) => ({ name, belt })),
    ladder: scene.value === 'spot' ? (block.value?.tempi ?? tune.ladder.value) : [],
    ...{ quietAt: quietAt.value, tempo: tempo.value, isPlaying: isPlaying.value },
    ...{ now: player.now.value, beat: cue.value?.beat ?? null, whose: whose.value },
  }));

  const switchNames = (): void => void (named.value = !named.value);

  function show(next: SceneId | null): void {
    chosen.value = next;
    if (isStarted.value) note?.({ kind: 'scene', scene: next });
    if (next === 'quiet') quietAt.value = Date.now() + QUIET_MS;
  }
  watch([() => block.value?.id, () => run.value?.rung, () => run.value?.scene], ([, , said]) => {
    chosen.value = SCENES.find(({ id }) => id === said)?.id ?? null;
  });

  return {
    ...{
      block,
      scene,
      stage,
      show,
      named,
      switchNames,
      tune,
      player,
      tempo,
      isPlaying,
      toggle,
      stop,
      silence,
      muted,
      turns,
    },
    ...{
      changeTempo,
      setTempo,
      items,
      itemAt,
      nextItem,
      error: computed(() => player.error.value ?? sound.error.value),
    },
  };
}
