<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { findInstrument } from '@escalier/core/instruments';
import { computed, onMounted, ref, shallowRef, toRef, watch } from 'vue';
import { useListen } from '../../sound/index.ts';
import { ScoreSheet } from '../../score/index.ts';
import { isTyping, onPlayKey } from '../../ui/keys.ts';
import FormField from '../../ui/FormField.vue';
import HowComputed from '../../ui/HowComputed.vue';
import LoadState from '../../ui/LoadState.vue';
import PlayButton from '../../ui/PlayButton.vue';
import { PlainError } from '../../refusals/index.ts';
import type { ListenedView } from '../../workers/listening.ts';
import { ClassHead } from '../classes/index.ts';
import { LastRecordStrip, OUTCOME_WORDS, OutcomeButtons, RemarkChips } from '../hearing/index.ts';
import { tuneText } from '../listening/index.ts';
import { useRemarks, useSession } from '../schools/index.ts';
import { heardMarks, playedAt } from '../../score/heard-marks.ts';
import ReadyAnswers from './ReadyAnswers.vue';
import SpokenAnswer from './SpokenAnswer.vue';
import PitchLine from './PitchLine.vue';
import { useListening } from './use-listening.ts';
import { useRecordingSound } from './use-recording-sound.ts';
import { useDecision } from './use-decision.ts';
import { soundOf, useRecordings } from './use-recordings.ts';
import { surenessWords } from './words.ts';
import { t } from './messages.ts';

/** One recording: what Escalier heard, on the sheet and as a line, and the teacher's decision. */
const props = defineProps<{ classId: string; recordingId: string }>();
const classId = toRef(props, 'classId');
const session = useSession();
const recordings = useRecordings(classId);
const { page, list, error, load, pupilOf, titleOf, results } = recordings;
const listening = useListening(page, recordings.change);
onMounted(useRemarks().load);
watch(classId, load, { immediate: true });

const recording = computed(() => list.value?.recordings.find(({ id }) => id === props.recordingId) ?? null);
const view = shallowRef<ListenedView | null>(null);
const abc = ref('');
const problem = ref<string | null>(null);
const sound = useRecordingSound(computed(() => view.value?.spots ?? []));
const pupil = computed(() => (recording.value === null ? null : pupilOf(recording.value)));
const instrumentId = computed(() => pupil.value?.playsInstead ?? page.value?.instrumentId ?? '');
const { listening: modelOf, listen: listenToModel } = useListen(
  instrumentId,
  computed(() => findInstrument(instrumentId.value)?.family ?? 'recorder'),
);
/** How it should sound, beside how it was. */
function model(): void {
  sound.stop();
  if (recording.value !== null && abc.value !== '') void listenToModel(recording.value.id, abc.value);
}
const { remarks, words, isOpen, goOn, judge, hearing, clash, keepMine, keepTheirs } = useDecision(
  classId,
  recordings,
  recording,
  view,
);

/** Its sheet stands beside it at once; it is fetched and listened to once, and what failed before only when asked for. */
let shown = '';
async function show(): Promise<void> {
  const now = recording.value;
  if (now === null || page.value === null || shown === now.id) return;
  shown = now.id;
  [view.value, problem.value, abc.value] = [null, null, ''];
  sound.open(now.id);
  await saying(async () => {
    const text = await tuneText(now.tuneId);
    if (shown === now.id) abc.value = text;
  });
  if (now.heard?.failed === true) problem.value = now.heard.words;
  else await listen();
}

async function listen(): Promise<void> {
  const now = recording.value;
  if (now === null) return;
  problem.value = null;
  const failure = await saying(async () => {
    const heard = await listening.listen(now, await soundOf(now.id));
    if (shown !== now.id || heard === null) return;
    view.value = heard;
    if (now.heard === null || now.heard.failed === true) await listening.summarise(now, heard);
  });
  if (failure !== null && now.heard === null) await listening.giveUp(now, failure);
}

/** What goes wrong stands on the page. */
async function saying(work: () => Promise<void>): Promise<PlainError | null> {
  try {
    await work();
    return null;
  } catch (failure) {
    if (!(failure instanceof PlainError)) throw failure;
    problem.value = failure.message;
    return failure;
  }
}
watch([recording, page], show, { immediate: true });

const marks = computed(() =>
  view.value === null ? [] : heardMarks(view.value, sound.isPlaying.value ? sound.at.value : null),
);
function playFrom(bar: string, note: string | null): void {
  const at = view.value === null ? null : playedAt(view.value, bar, note);
  if (at !== null) sound.seek(at);
}

async function undo(): Promise<void> {
  await hearing.undo();
}
const erasing = ref(false);
async function erase(): Promise<void> {
  await recordings.erase(props.recordingId);
  await goOn();
}

const KEYS: Readonly<Record<string, () => unknown>> = {
  u: undo,
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
    ? t('recording-page.no-result-is-proposed')
    : `${OUTCOME_WORDS[heard.outcome]}, ${surenessWords(heard.sure)}.`;
});
</script>

<template>
  <LoadState
    v-if="page === null || list === null"
    :error="error"
    :what="t('recording-page.the-recording')"
    @again="load"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" :trail="pupil?.name ?? t('recording-page.a-recording')">
      <BButton v-if="recording !== null && session.mayTeach" @click="erasing = true">{{
        t('recording-page.erase-it')
      }}</BButton>
      <BButton @click="goOn">{{ t('recording-page.next-recording') }}</BButton>
    </ClassHead>
    <BModal
      v-model="erasing"
      :title="t('recording-page.erase-this-recording')"
      title-tag="h2"
      :ok-title="t('recording-page.erase')"
      ok-variant="danger"
      @ok="erase"
    >
      {{ t('recording-page.it-cant-be-recovered-any-result') }}
    </BModal>
    <LastRecordStrip :last="hearing.last" :at-school="hearing.atSchool" :error="hearing.error" @undo="undo" />
    <section v-if="recording === null" class="card-paper stack-close">
      <h2>{{ t('recording-page.this-recording-is-gone') }}</h2>
      <p>{{ t('recording-page.it-was-erased-or-it-expired') }}</p>
    </section>
    <div v-else class="listening">
      <section class="card-paper stack" :aria-label="t('recording-page.what-was-heard')">
        <BAlert v-if="problem !== null" variant="danger" :model-value="true">
          <p class="gap">{{ problem }}</p>
          <BButton @click="listen">{{ t('recording-page.try-again') }}</BButton>
        </BAlert>
        <p v-else-if="view === null" role="status">
          <BSpinner small aria-hidden="true" /> {{ t('recording-page.listening') }}
        </p>
        <p v-else class="summary">{{ view.words }}</p>
        <div class="line">
          <PlayButton :playing="sound.isPlaying.value" @toggle="sound.toggle" />
          <BButton :pressed="sound.slow.value" @click="sound.switchSlow">{{ t('recording-page.slower') }}</BButton>
          <BButton :disabled="(view?.spots.length ?? 0) === 0" @click="sound.jump(-1)">{{
            t('recording-page.place-before')
          }}</BButton>
          <BButton :disabled="(view?.spots.length ?? 0) === 0" @click="sound.jump(1)">{{
            t('recording-page.next-place')
          }}</BButton>
          <BButton :pressed="modelOf !== null" @click="model">{{ t('recording-page.how-it-should-sound') }}</BButton>
          <span class="soft"
            >{{ titleOf(recording)
            }}<template v-if="view !== null && view.tempo !== null">{{
              t('recording-page.tempo-beats-a-minute', { tempo: view.tempo })
            }}</template></span
          >
        </div>
        <PitchLine v-if="view !== null" :view="view" :at="sound.at.value" @seek="sound.seek" />
        <ScoreSheet
          v-if="abc !== ''"
          :abc="abc"
          :title="titleOf(recording)"
          :instrument-id="instrumentId"
          :naming="page.style.naming"
          :marks="marks"
          pickable
          @pick="playFrom"
        />
        <HowComputed v-if="view !== null" :label="t('recording-page.how-was-this-heard')">
          <p>
            {{ t('recording-page.the-pitch-is-measured-125-times') }}
          </p>
        </HowComputed>
      </section>
      <section class="card-paper stack" :aria-label="t('recording-page.your-decision')">
        <p v-if="recording.fromHome" class="soft">{{ t('recording-page.from-home-anyone-holding-the-slip') }}</p>
        <p v-if="!isOpen">
          <strong>{{ OUTCOME_WORDS[results.get(recording.id)!.outcome] }}</strong> {{ t('recording-page.is-recorded') }}
          <span v-if="recording.words !== ''">“{{ recording.words }}”</span>
        </p>
        <template v-else>
          <p v-if="proposed !== null">
            <strong>{{ proposed }}</strong> {{ t('recording-page.you-decide') }}
          </p>
          <OutcomeButtons small keys :pupil-name="pupil?.name ?? t('recording-page.the-pupil')" @judge="judge" />
          <RemarkChips v-model="remarks" small />
          <FormField v-slot="{ id }" :label="t('recording-page.a-word-to-the-pupil')">
            <BFormTextarea :id="id" v-model="words" rows="2" maxlength="500" />
          </FormField>
          <ReadyAnswers :bar="view?.faults[0]?.bar ?? null" @say="(answer) => (words = answer)" />
        </template>
        <BAlert v-if="clash !== null" variant="warning" :model-value="true">
          <p class="gap">{{ clash.words }}</p>
          <p class="gap">{{ t('recording-page.yours-mine', { mine: clash.mine }) }}</p>
          <div class="line">
            <BButton variant="primary" @click="keepMine">{{ t('recording-page.save-mine-instead') }}</BButton>
            <BButton @click="keepTheirs">{{ t('recording-page.keep-theirs') }}</BButton>
          </div>
        </BAlert>
        <SpokenAnswer :key="recording.id" :recording="recording" :change="recordings.change" @stale="load" />
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

.gap {
  margin-bottom: 8px;
}

.summary {
  font-family: var(--heading);
  font-size: var(--text-large);
}
</style>
