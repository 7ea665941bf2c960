<script setup lang="ts">
import { findInstrument } from '@escalier/core/instruments';
import type { PupilDto, StepDto } from '@escalier/server/api';
import { computed } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { plural, shortDate } from '../classes/index.ts';
import { useFaults } from '../schools/index.ts';
import { OUTCOME_WORDS } from './words.ts';

const props = defineProps<{ pupil: PupilDto; step: StepDto | null; why: string }>();
const faults = useFaults();

const other = computed(() => (props.pupil.playsInstead === null ? null : findInstrument(props.pupil.playsInstead)));

/** Why it is this pupil’s turn. */
const reason = computed(() => (props.why === '' ? '' : `${props.why[0]!.toUpperCase()}${props.why.slice(1)}. `));

/** What the records say about the tries on this step. */
const history = computed(() => {
  const standing = props.pupil.standing?.steps.find((each) => each.stepId === props.step?.id);
  if (standing === undefined) return 'Not heard on this step yet.';
  const remarks = standing.remarks.map((id) => faults.wordsOf(id).toLowerCase()).join(', ');
  const worked = remarks === '' ? '' : `, to work on: ${remarks}`;
  return `${plural(standing.tries, 'try', 'tries')}, last on ${shortDate(standing.lastHeardAt)}: ${OUTCOME_WORDS[standing.lastOutcome].toLowerCase()}${worked}.`;
});
</script>

<template>
  <div class="head">
    <h1>{{ pupil.name }}</h1>
    <p v-if="pupil.away || other !== null">
      <template v-if="pupil.away">Noted as away today. </template>
      <template v-if="other !== null">Plays the {{ other.name }}.</template>
    </p>
    <template v-if="step !== null">
      <p class="step">
        <span class="belt"><BeltBand :belt-id="step.belt" /></span> step {{ step.position }},
        <strong>{{ step.title }}</strong>
      </p>
      <p class="soft">{{ reason }}{{ history }}</p>
    </template>
  </div>
</template>

<style scoped>
h1 {
  font-size: clamp(2.4rem, 5.2vw, 4rem);
  overflow-wrap: anywhere;
}

.step {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 6px;
  font-size: 1.25rem;
}

.belt {
  width: 60px;
  overflow: hidden;
  border-radius: 3px;
}
</style>
