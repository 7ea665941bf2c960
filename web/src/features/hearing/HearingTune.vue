<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import { pitch } from '@escalier/core/music';
import { secondsOf } from '@escalier/core/units';
import { hardSpotWords } from '@escalier/core/words';
import type { StepDto } from '@escalier/server/api';
import { computed, ref } from 'vue';
import { withNoteNames } from '../../ui/note-words.ts';
import SelectField from '../../ui/SelectField.vue';
import WhenSeen from '../../ui/WhenSeen.vue';
import { ScoreSheet } from '../../score/index.ts';
import { hardSpotMarks, useTune } from '../tunes/index.ts';
import TurnTools from './TurnTools.vue';

/** The tune that is being heard, small, with its hard spots, and what one needs to hear it. */
const props = defineProps<{ classId: string; step: StepDto }>();
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
const marks = computed(() => (info.value === null ? [] : hardSpotMarks(info.value)));
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
        />
      </WhenSeen>
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
