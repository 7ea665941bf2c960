<script setup lang="ts">
import type { StepDto } from '@escalier/contract/class-pages';
import { findInstrument } from '@escalier/core/instruments';
import { computed } from 'vue';
import type { PupilView } from '../classes/index.ts';
import BeltBand from '../../ui/BeltBand.vue';
import { dayOfMoment } from '../../ui/dates.ts';
import { useRemarks } from '../schools/index.ts';
import { passRuleWords } from '../staircase/index.ts';
import { OUTCOME_WORDS } from './words.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

const props = defineProps<{ pupil: PupilView; step: StepDto | null; why: string; timeZone: string }>();
const remarks = useRemarks();

const other = computed(() => (props.pupil.playsInstead === null ? null : findInstrument(props.pupil.playsInstead)));

/** Why it is this pupil’s turn. */
const reason = computed(() => (props.why === '' ? '' : `${props.why[0]!.toUpperCase()}${props.why.slice(1)}. `));

/** What passing the step means, when the staircase says so. */
const toPass = computed(() => (props.step === null ? null : passRuleWords(props.step)));

/** What the records say about the tries on this step. */
const history = computed(() => {
  const standing = props.pupil.standing?.steps.find((each) => each.stepId === props.step?.id);
  // The reason has said it already of a pupil who was never heard.
  const isSaid = props.why !== '' && props.pupil.standing?.lastHeardAt === null;
  if (standing === undefined) return isSaid ? '' : t('pupil-head.not-heard-on-this-step-yet');
  const noted = standing.remarks.map((id) => remarks.wordsOf(id).toLowerCase()).join(', ');
  const worked = noted === '' ? '' : t('pupil-head.to-work-on-noted', { noted });
  return t('pupil-head.tries-last-on-day-lower-case', {
    tries: counted('tries', { n: standing.tries }),
    day: dayOfMoment(standing.lastHeardAt, props.timeZone),
    lowerCase: OUTCOME_WORDS[standing.lastOutcome].toLowerCase(),
    worked,
  });
});
</script>

<template>
  <div class="stack-close">
    <h2 class="who">{{ pupil.name }}</h2>
    <p v-if="pupil.away || other !== null">
      <template v-if="pupil.away">{{ t('pupil-head.away-today') }}{{ ' ' }} </template>
      <template v-if="other !== null">{{ t('pupil-head.plays-the-name', { name: other.name }) }}</template>
    </p>
    <template v-if="step !== null">
      <p class="line large">
        <span class="belt-chip"><BeltBand :belt-id="step.belt" /></span>
        {{ t('pupil-head.step-position', { position: step.position }) }}
        <strong>{{ step.title }}</strong>
      </p>
      <p v-if="toPass !== null">{{ t('pupil-head.to-pass-pass', { pass: toPass }) }}</p>
      <p class="soft">{{ reason }}{{ history }}</p>
    </template>
  </div>
</template>

<style scoped>
.who {
  font-size: clamp(var(--headline), 5.2vw, var(--poster));
  line-height: 1.05;
}
</style>
