<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { findInstrument } from '@escalier/core/instruments';
import type { Outcome } from '@escalier/core/records';
import { computed, onMounted, ref, shallowRef, toRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ask } from '../../api.ts';
import { useListen } from '../../sound/index.ts';
import { ScoreSheet, type ScoreMark } from '../../score/index.ts';
import { isTyping, onPlayKey } from '../../ui/keys.ts';
import FormField from '../../ui/FormField.vue';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import PlayButton from '../../ui/PlayButton.vue';
import { PlainError } from '../../ui/plain-error.ts';
import { useNotices } from '../../ui/use-notices.ts';
import type { ListenedView } from '../../workers/listening.ts';
import { ClassHead } from '../classes/index.ts';
import { OUTCOME_WORDS, OutcomeButtons, RemarkChips, useHearing } from '../hearing/index.ts';
import { useRemarks } from '../schools/index.ts';
import PitchLine from './PitchLine.vue';
import { useListening } from './use-listening.ts';
import { useRecordingSound } from './use-recording-sound.ts';
import { soundOf, tuneText, useRecordings } from './use-recordings.ts';
import { surenessWords } from './words.ts';

/** One recording: what Escalier heard, on the sheet and as a line, and the teacher's decision. */
const props = defineProps<{ classId: string; recordingId: string }>();
const classId = toRef(props, 'classId');
const router = useRouter();
const notices = useNotices();
const hearing = useHearing();
const recordings = useRecordings(classId);
const { page, list, error, load, open, pupilOf, stepOf, titleOf, results } = recordings;
const listening = useListening(page, recordings.change);
onMounted(useRemarks().load);
watch(classId, load, { immediate: true });

const recording = computed(() => list.value?.recordings.find(({ id }) => id === props.recordingId) ?? null);
const view = shallowRef<ListenedView | null>(null);
const abc = ref('');
const problem = ref<string | null>(null);
const sound = useRecordingSound(computed(() => view.value?.spots ?? []));
const instrumentId = computed(() => page.value?.instrumentId ?? '');
const { listening: modelOf, listen: listenToModel } = useListen(
  instrumentId,
  computed(() => findInstrument(instrumentId.value)?.family ?? 'recorder'),
);
/** How it should sound, beside how it was. */
function model(): void {
  sound.stop();
  if (recording.value !== null && abc.value !== '') void listenToModel(recording.value.id, abc.value);
}
const remarks = ref<string[]>([]);
const words = ref('');

/** Fetched and listened to once for each recording. */
let shown = '';
async function show(): Promise<void> {
  const now = recording.value;
  if (now === null || page.value === null || shown === now.id) return;
  shown = now.id;
  view.value = null;
  problem.value = null;
  words.value = now.answer?.words ?? '';
  try {
    sound.open(now.id);
    const blob = await soundOf(now.id);
    abc.value = await tuneText(now.tuneId);
    const heard = await listening.listen(now, blob);
    if (shown !== now.id || heard === null) return;
    view.value = heard;
    remarks.value = [...heard.remarks];
    if (now.heard === null) await listening.summarise(now, heard);
  } catch (failure) {
    if (!(failure instanceof PlainError)) throw failure;
    problem.value = failure.message;
  }
}
watch([recording, page], show, { immediate: true });

const marks = computed((): readonly ScoreMark[] => {
  const asked = view.value?.asked ?? [];
  const now = asked.find(({ from, to }) => from !== null && sound.at.value >= from && sound.at.value < (to ?? 0));
  const extras = (view.value?.extras ?? []).flatMap(({ at, kind }): ScoreMark[] => {
    const next = asked.find(({ from }) => from !== null && from > at) ?? asked.at(-1);
    return next === undefined
      ? []
      : [{ kind: 'heard', id: next.id, how: 'extra', words: kind === 'squeak' ? 'Squeak' : '' }];
  });
  return [
    ...(now === undefined || !sound.isPlaying.value ? [] : [{ kind: 'now' as const, id: now.id }]),
    ...asked.flatMap(({ id, kind, words: said }): ScoreMark[] =>
      kind === 'right' ? [] : [{ kind: 'heard', id, how: kind, words: kind === 'wrong' ? said : '' }],
    ),
    ...extras,
  ];
});

/** Plays from where a bar was played, or the note that was pressed. */
function playFrom(bar: string, note: string | null): void {
  const prefix = note ?? `n0-${bar.slice(1)}-`;
  const from = view.value?.asked.find(
    ({ id, from: at }) => at !== null && (id === note || id.startsWith(prefix)),
  )?.from;
  if (from !== undefined && from !== null) sound.seek(from);
}

const isOpen = computed(() => open.value.some(({ id }) => id === props.recordingId));
const following = computed(() => {
  const at = open.value.findIndex(({ id }) => id === props.recordingId);
  return open.value[at + 1] ?? open.value.find(({ id }) => id !== props.recordingId) ?? null;
});
async function goOn(): Promise<void> {
  const next = following.value;
  if (next === null) await router.push({ name: 'recordings', params: { classId: props.classId } });
  else await router.replace({ name: 'recording', params: { classId: props.classId, recordingId: next.id } });
}

/** Recorded as every other result, with what was proposed beside it; the words to the pupil go with the recording. */
async function judge(outcome: Outcome): Promise<void> {
  const now = recording.value;
  const pupil = now === null ? null : pupilOf(now);
  const step = now === null ? null : stepOf(now);
  if (now === null || pupil === null || step === null || !isOpen.value) return;
  sound.stop();
  const heard = view.value;
  const draft = {
    ...{ pupilId: pupil.id, stepId: step.id, outcome, remarks: [...remarks.value] },
    ...(now.tuneId === step.tuneId ? {} : { tuneId: now.tuneId }),
    ...(heard?.tempo === null || heard === null ? {} : { tempo: heard.tempo }),
    ...(heard === null || heard.faults.length === 0 || outcome === 'passed' ? {} : { faults: heard.faults }),
    listened: { recordingId: now.id, outcome: heard?.outcome ?? null, remarks: heard?.remarks ?? [] },
  };
  const next = following.value;
  if (!(await hearing.hear(props.classId, draft, pupil.name, step.position))) return;
  const eventId = hearing.last?.kind === 'heard' ? hearing.last.event.id : null;
  notices.say(`${pupil.name}: ${OUTCOME_WORDS[outcome]}.`);
  if (eventId !== null) {
    const answer = { outcome, eventId, words: words.value.trim() };
    recordings.change(now.id, { answer });
    void ask(api.recordings[':id'].$patch({ param: { id: now.id }, json: { answer } })).catch(() => undefined);
  }
  if (next === null) await router.push({ name: 'recordings', params: { classId: props.classId } });
  else await router.replace({ name: 'recording', params: { classId: props.classId, recordingId: next.id } });
}

const erasing = ref(false);
async function erase(): Promise<void> {
  await recordings.erase(props.recordingId);
  await goOn();
}

const KEYS: Readonly<Record<string, () => unknown>> = {
  '1': () => judge('passed'),
  '2': () => judge('nearly'),
  '3': () => judge('not-yet'),
  n: goOn,
  s: sound.switchSlow,
  m: model,
  ArrowRight: () => sound.jump(1),
  ArrowLeft: () => sound.jump(-1),
};
onKeyStroke((event) => {
  const does = KEYS[event.key.length === 1 ? event.key.toLowerCase() : event.key];
  if (does === undefined || isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
  event.preventDefault();
  void does();
});
onPlayKey(() => void sound.toggle());
const proposed = computed(() => {
  const heard = view.value;
  if (heard === null) return null;
  return heard.outcome === null
    ? 'No result is proposed.'
    : `${OUTCOME_WORDS[heard.outcome]}, ${surenessWords(heard.sure)}.`;
});
</script>

<template>
  <LoadState v-if="page === null || list === null" :error="error" what="the recording" @again="load" />
  <div v-else class="page-grid">
    <ClassHead
      :class-id="classId"
      :trail="recording === null ? 'A recording' : (pupilOf(recording)?.name ?? 'A recording')"
    >
      <BButton v-if="recording !== null" @click="erasing = true">Erase it</BButton>
      <BButton @click="goOn">Next recording</BButton>
    </ClassHead>
    <BModal
      v-model="erasing"
      title="Erase this recording?"
      title-tag="h2"
      ok-title="Erase"
      ok-variant="danger"
      @ok="erase"
    >
      It cannot be brought back. A result that came of it stays.
    </BModal>
    <section v-if="recording === null" class="card-paper stack-close">
      <h2>This recording is not here any more</h2>
      <p>It was erased, or its days are over.</p>
    </section>
    <div v-else class="listening">
      <section class="card-paper stack" aria-label="What was heard">
        <BAlert v-if="problem !== null" variant="danger" :model-value="true">{{ problem }}</BAlert>
        <p v-else-if="view === null" role="status"><BSpinner small aria-hidden="true" /> Listening …</p>
        <p v-else class="summary">{{ view.words }}</p>
        <div class="line">
          <PlayButton :playing="sound.isPlaying.value" @toggle="sound.toggle" />
          <BButton :pressed="sound.slow.value" @click="sound.switchSlow">Slower</BButton>
          <BButton :disabled="(view?.spots.length ?? 0) === 0" @click="sound.jump(-1)">Place before</BButton>
          <BButton :disabled="(view?.spots.length ?? 0) === 0" @click="sound.jump(1)">Next place</BButton>
          <BButton :pressed="modelOf !== null" @click="model">How it should sound</BButton>
          <span class="soft"
            >{{ titleOf(recording)
            }}<template v-if="view !== null && view.tempo !== null">, {{ view.tempo }} beats a minute</template></span
          >
        </div>
        <PitchLine v-if="view !== null" :view="view" :at="sound.at.value" @seek="sound.seek" />
        <ScoreSheet
          v-if="abc !== ''"
          :abc="abc"
          :title="titleOf(recording)"
          :instrument-id="page.instrumentId"
          :naming="page.style.naming"
          :marks="marks"
          pickable
          @pick="playFrom"
        />
        <HowComputed v-if="view !== null" label="How was this heard?">
          <p>
            The pitch is measured 125 times a second and laid along the tune, wherever the pupil started again. Grey is
            what the sheet asks for, green what was played. A ring is another note, a dashed box a missing one, a bar
            under a note one that was not tongued again, a small note one too many. The result follows the class’s own
            rule.
          </p>
        </HowComputed>
      </section>
      <section class="card-paper stack" aria-label="Your decision">
        <p v-if="!isOpen">
          <strong>{{
            OUTCOME_WORDS[results.get(recording.id)?.outcome ?? recording.answer?.outcome ?? 'not-yet']
          }}</strong>
          is recorded.
          <span v-if="recording.answer !== null && recording.answer.words !== ''">“{{ recording.answer.words }}”</span>
        </p>
        <template v-else>
          <p v-if="proposed !== null">
            <strong>{{ proposed }}</strong> You decide.
          </p>
          <OutcomeButtons small keys :pupil-name="pupilOf(recording)?.name ?? 'the pupil'" @judge="judge" />
          <RemarkChips v-model="remarks" small />
          <FormField v-slot="{ id }" label="A word to the pupil">
            <BFormTextarea :id="id" v-model="words" rows="2" maxlength="500" />
          </FormField>
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.listening {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 12px;
  align-items: start;
}

@media (max-width: 1000px) {
  .listening {
    grid-template-columns: minmax(0, 1fr);
  }
}

.summary {
  font-family: var(--heading);
  font-size: var(--text-large);
}
</style>
