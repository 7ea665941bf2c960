<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import { barId, eventId } from '@escalier/core/formats';
import { pitch } from '@escalier/core/music';
import type { Breath } from '@escalier/core/reading';
import type { Extent, Fault } from '@escalier/core/records';
import { secondsOf } from '@escalier/core/units';
import { barRange, hardSpotWords } from '@escalier/core/words';
import type { StepDto } from '@escalier/server/api';
import { computed, ref, shallowRef, watch } from 'vue';
import { tuneWorker } from '../../workers/index.ts';
import { withNoteNames } from '../../ui/note-words.ts';
import SelectField from '../../ui/SelectField.vue';
import WhenSeen from '../../ui/WhenSeen.vue';
import { ScoreSheet, type ScoreMark } from '../../score/index.ts';
import { useRemarks } from '../schools/index.ts';
import { hardSpotMarks, useTune } from '../tunes/index.ts';
import TurnTools from './TurnTools.vue';
import type { MarkedPlace } from './use-faults.ts';

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
const barOptions = computed(() => [
  { value: null, text: 'Mark a bar' },
  ...barNumbers.value.map((number, value) => ({ value, text: number === 0 ? 'pickup' : `bar ${number}` })),
]);

function markBar(barIndex: number): void {
  emit('mark', { bar: barNumbers.value[barIndex] ?? 0, barIndex });
}

function markAt(bar: string, note: string | null): void {
  const barIndex = Number(bar.slice(1));
  const place = note?.startsWith('n0-') === true ? note.split('-').slice(1).map(Number) : null;
  if (place === null) markBar(barIndex);
  else emit('mark', { bar: barNumbers.value[barIndex] ?? 0, barIndex, eventIndex: place[1] });
}

function placeWords({ bar, remark }: Fault): string {
  const where = bar === 0 ? 'pickup' : `bar ${bar}`;
  return remark === undefined ? where : `${where}: ${remarks.wordsOf(remark).toLowerCase()}`;
}

/** All of it, each line, or a piece that was drawn. */
const parts = computed(() => {
  const lines = info.value?.reading.form.lines ?? [];
  return [
    { value: '', text: 'All of it' },
    ...(lines.length < 2
      ? []
      : lines.map(({ bars }, index) => ({ value: bars.join('-'), text: `Line ${index + 1}, ${barRange(bars)}` }))),
    ...(extent.value === null || lines.some(({ bars }) => bars.join('-') === extent.value?.bars.join('-'))
      ? []
      : [{ value: extent.value.bars.join('-'), text: barRange(extent.value.bars) }]),
  ];
});
const part = computed({
  get: () => extent.value?.bars.join('-') ?? '',
  set: (bars: string) => {
    if (bars === '') extent.value = null;
    else {
      const [first, last] = bars.split('-').map(Number) as [number, number];
      // The pickup goes with the first bar.
      const from = first === 1 && barNumbers.value[0] === 0 ? 0 : barNumbers.value.indexOf(first);
      heardBars(from, barNumbers.value.lastIndexOf(last));
    }
  },
});

function heardBars(first: number, last: number): void {
  const [from, to] = first <= last ? [first, last] : [last, first];
  const bars = [barNumbers.value[from] ?? 0, barNumbers.value[to] ?? 0] as const;
  extent.value = { bars, indices: [from, to], slowly: extent.value?.slowly ?? false };
}

function setSlowly(slowly: boolean): void {
  if (extent.value !== null) extent.value = { ...extent.value, slowly };
}
const on = computed(() => findInstrument(page.value?.schoolClass?.instrumentId ?? ''));
const firstNote = computed(() => {
  const name = Object.values(info.value?.pitches ?? {})[0];
  return name === undefined ? null : pitch(name);
});
const spot = computed(() => info.value?.reading.hardSpots[0] ?? null);
</script>

<template>
  <section class="card-paper stack-close tune" aria-label="The tune">
    <BAlert v-if="error !== null" variant="danger" :model-value="true">{{ error.message }}</BAlert>
    <SelectField
      v-if="step.tunes.length > 1"
      v-model="tuneId"
      :label="`${step.toPass === 1 ? 'Any one of' : `${step.toPass} of`} ${step.tunes.length} tunes`"
      :options="tunes"
    />
    <template v-if="page !== null && info !== null">
      <p class="line">
        <RouterLink class="grow" :to="{ name: 'step', params: { classId, position: step.position } }">{{
          page.title
        }}</RouterLink>
        <span class="soft">{{ info.reading.tempo.perMinute }} beats a minute</span>
      </p>
      <WhenSeen>
        <ScoreSheet
          :abc="page.abc"
          :title="page.title"
          :instrument-id="page.schoolClass?.instrumentId ?? ''"
          :naming="page.schoolClass?.style.naming ?? null"
          :counting="page.schoolClass?.style.counting ?? null"
          :marks="marks"
          :pickable="faults !== null"
          @pick="markAt"
          @draw="(first, last) => heardBars(Number(first.slice(1)), Number(last.slice(1)))"
        />
      </WhenSeen>
      <div v-if="faults !== null" class="d-flex flex-wrap gap-2 align-items-center">
        <BFormSelect v-model="part" class="auto" :options="parts" aria-label="What is heard" />
        <BFormCheckbox
          v-if="extent !== null"
          :model-value="extent.slowly"
          @update:model-value="setSlowly(Boolean($event))"
          >slowly</BFormCheckbox
        >
        <BFormSelect
          class="auto"
          :model-value="null"
          :options="barOptions"
          aria-label="Mark a bar"
          @update:model-value="$event !== null && markBar(Number($event))"
        />
        <BButton
          v-for="(fault, index) in faults"
          :key="index"
          size="sm"
          :aria-label="`Take away: ${placeWords(fault)}`"
          @click="emit('unmark', fault)"
          >{{ placeWords(fault) }} ×</BButton
        >
      </div>
      <p v-if="faults !== null && faults.length === 0" class="soft mb-0">
        Press the bar or note where it happened, then the remark, or the other way round. Draw over bars to hear a part.
      </p>
      <p v-if="spot !== null" class="soft">Hard spot: {{ withNoteNames(hardSpotWords(spot.hardest)) }}</p>
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
