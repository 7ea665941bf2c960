<script setup lang="ts">
import type { StepDto } from '@escalier/contract/class-pages';
import { findInstrument } from '@escalier/core/instruments';
import { barId, eventId, placeOfId } from '@escalier/core/formats';
import { pitch } from '@escalier/core/music';
import type { Breath } from '@escalier/core/reading';
import type { Extent, Fault } from '@escalier/core/records';
import { secondsOf } from '@escalier/core/units';
import { hardSpotWords } from '@escalier/core/words';
import { computed, ref, shallowRef, watch } from 'vue';
import { tuneWorker } from '../../workers/index.ts';
import { withNoteNames } from '../../ui/note-words.ts';
import SelectField from '../../ui/SelectField.vue';
import WhenSeen from '../../ui/WhenSeen.vue';
import { ScoreSheet, type ScoreMark } from '../../score/index.ts';
import { useRemarks } from '../schools/index.ts';
import { hardSpotMarks, useTune } from '../tunes/index.ts';
import FaultTools from './FaultTools.vue';
import { extentOf } from './extent.ts';
import TurnTools from './TurnTools.vue';
import type { MarkedPlace } from './use-faults.ts';
import { t } from './messages.ts';

/** The tune that is being heard, small, with its hard spots, and what one needs to hear it. */
const props = defineProps<{
  classId: string;
  step: StepDto;
  /** What is marked already; null where nobody marks, as in a row. */
  faults: readonly Fault[] | null;
  /** Of the pupil; null for the class's. */
  breathSeconds: number | null;
}>();
const emit = defineEmits<{ mark: [place: MarkedPlace]; unmark: [fault: Fault] }>();
const remarks = useRemarks();
/** What is heard; null for all of it. */
const extent = defineModel<Extent | null>('extent', { required: true });
/** Which of the step's tunes is played. */
const tuneId = defineModel<string>('tuneId', { required: true });
const tempo = defineModel<number | null>('tempo', { required: true });

const { page, info, error } = useTune(
  computed(() =>
    tuneId.value === props.step.tuneId
      ? { classId: props.classId, position: props.step.position }
      : { classId: props.classId, tuneId: tuneId.value },
  ),
  ref(''),
);
const tunes = computed(() => props.step.tunes.map(({ id, title }) => ({ value: id, text: title })));
/** Where this pupil breathes, who has a breath of another length than the class. */
const pupilBreaths = shallowRef<readonly Breath[]>([]);
watch([info, () => props.breathSeconds], async ([now, seconds]) => {
  pupilBreaths.value = [];
  if (now === null || seconds === null) return;
  const source = { abc: now.abc, instrumentId: page.value?.schoolClass?.instrumentId ?? '' };
  const found = await tuneWorker().breathsAt(source, now.reading.tempo.perMinute, seconds);
  if (info.value === now && props.breathSeconds === seconds) pupilBreaths.value = found;
});
const marks = computed((): readonly ScoreMark[] => {
  if (info.value === null) return [];
  const heard = extent.value;
  return [
    ...hardSpotMarks(info.value),
    ...(heard === null
      ? []
      : [{ kind: 'bracket', from: barId(heard.indices[0]), to: barId(heard.indices[1]), own: true } as const]),
    ...pupilBreaths.value.map((breath): ScoreMark => ({
      kind: 'comma',
      id: eventId(0, breath.barIndex, breath.eventIndex),
      small: breath.kind === 'small',
    })),
    ...(props.faults ?? []).map(({ remark, barIndex, eventIndex }): ScoreMark => ({
      kind: 'fault',
      id: eventIndex === undefined ? barId(barIndex) : eventId(0, barIndex, eventIndex),
      words: remark === undefined ? '' : remarks.wordsOf(remark),
    })),
  ];
});
const barNumbers = computed(() => info.value?.barNumbers ?? []);
const indexOf = (bar: string): number => Number(bar.slice(1));

function markBar(barIndex: number): void {
  emit('mark', { bar: barNumbers.value[barIndex] ?? 0, barIndex });
}

function markAt(bar: string, note: string | null): void {
  const barIndex = indexOf(bar);
  const place = note === null ? null : placeOfId(note);
  if (place === null) markBar(barIndex);
  else emit('mark', { bar: barNumbers.value[barIndex] ?? 0, barIndex, eventIndex: place.eventIndex });
}

const on = computed(() => findInstrument(page.value?.schoolClass?.instrumentId ?? ''));
const firstNote = computed(() => {
  const name = Object.values(info.value?.pitches ?? {})[0];
  return name === undefined ? null : pitch(name);
});
const spot = computed(() => info.value?.reading.hardSpots[0] ?? null);
</script>

<template>
  <section class="card-paper stack-close tune" :aria-label="t('hearing-tune.the-tune')">
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error.message }}</BAlert>
    <SelectField
      v-if="step.tunes.length > 1"
      v-model="tuneId"
      :label="
        t('hearing-tune.t-tunes-count-tunes', {
          anyOf: step.toPass === 1 ? t('hearing-tune.any-one-of') : t('hearing-tune.pass-of', { pass: step.toPass }),
          tunesCount: step.tunes.length,
        })
      "
      :options="tunes"
    />
    <template v-if="page !== null && info !== null">
      <p class="line">
        <RouterLink class="grow" :to="{ name: 'step', params: { classId, position: step.position } }">{{
          page.title
        }}</RouterLink>
        <span class="soft">{{
          t('hearing-tune.per-minute-beats-a-minute', { perMinute: info.reading.tempo.perMinute })
        }}</span>
      </p>
      <WhenSeen>
        <ScoreSheet
          :abc="page.abc"
          :title="page.title"
          :instrument-id="page.schoolClass?.instrumentId ?? ''"
          :naming="page.schoolClass?.style.naming ?? null"
          :counting="page.schoolClass?.style.counting ?? null"
          :lengths="page.schoolClass?.style.lengthWords"
          :marks="marks"
          :pickable="faults !== null"
          @pick="markAt"
          @draw="(first, last) => (extent = extentOf(info!, indexOf(first), indexOf(last), extent?.slowly ?? false))"
        />
      </WhenSeen>
      <FaultTools
        v-if="faults !== null"
        v-model:extent="extent"
        :info="info"
        :faults="faults"
        @mark="markBar"
        @unmark="emit('unmark', $event)"
      />
      <p v-if="spot !== null" class="soft">
        {{ t('hearing-tune.hard-spot-with-note-names', { withNoteNames: withNoteNames(hardSpotWords(spot.hardest)) }) }}
      </p>
      <TurnTools
        v-if="on !== null"
        v-model:tempo="tempo"
        :family="on.family"
        :sounds-above="on.soundsAbove"
        :first-note="firstNote"
        :pass-tempo="info.reading.tempo.perMinute"
        :beats="info.playback.countIn.length || 4"
        :seconds="secondsOf(info.playback.beats, info.reading.tempo.perMinute)"
      />
    </template>
  </section>
</template>

<style scoped>
.tune {
  min-height: 260px;
}
</style>
