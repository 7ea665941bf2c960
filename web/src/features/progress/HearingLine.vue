<script setup lang="ts">
import { OUTCOMES, type HeardEvent, type Outcome } from '@escalier/core/records';
import type { ClassPage } from '@escalier/server/api';
import { computed, ref } from 'vue';
import { shortMoment } from '../../ui/days.ts';
import { OUTCOME_WORDS, useHearing } from '../hearing/index.ts';
import { useFaults } from '../schools/index.ts';
import { clockWords } from './history.ts';

/** One hearing, with what was noted; it can be corrected with a reason, or taken back. */
const props = defineProps<{ event: HeardEvent; page: ClassPage; pupilName: string }>();
const faults = useFaults();
const hearing = useHearing();
const correcting = ref(false);
const outcome = ref<Outcome>(props.event.outcome);
const reason = ref('');

const step = computed(() => props.page.steps.find((each) => each.id === props.event.stepId) ?? null);
const tune = computed(() => {
  const { tuneId } = props.event;
  return step.value?.tunes.length === 1
    ? null
    : (step.value?.tunes.find((each) => each.id === tuneId)?.title ?? step.value?.title ?? null);
});

async function correct(): Promise<void> {
  const { pupilId, stepId, remarks, tuneId, tempo, id } = props.event;
  const draft = {
    pupilId,
    stepId,
    outcome: outcome.value,
    remarks,
    corrects: id,
    reason: reason.value.trim(),
    ...(tuneId === undefined ? {} : { tuneId }),
    ...(tempo === undefined ? {} : { tempo }),
  };
  if (await hearing.hear(props.page.id, draft, props.pupilName, step.value?.position ?? 0)) correcting.value = false;
}
</script>

<template>
  <li :class="event.outcome">
    <p>
      <strong>{{ OUTCOME_WORDS[event.outcome] }}</strong>
      <span class="soft"> {{ shortMoment(event.heardAt, page.timeZone) }}</span>
      <template v-if="event.tempo !== undefined">, {{ event.tempo }} beats a minute</template>
      <template v-if="tune !== null">, {{ tune }}</template>
      <span v-if="event.receipt === undefined" class="chip">saved here</span>
    </p>
    <p v-if="event.remarks.length > 0">{{ event.remarks.map((id) => faults.wordsOf(id)).join(', ') }}</p>
    <p v-if="event.corrects !== undefined" class="soft">Corrected: {{ event.reason ?? 'no reason given' }}</p>
    <p v-if="clockWords(event) !== null" class="clock">{{ clockWords(event) }}</p>
    <form v-if="correcting" @submit.prevent="correct">
      <select v-model="outcome" class="form-select form-select-sm auto" aria-label="It was">
        <option v-for="each in OUTCOMES" :key="each" :value="each">{{ OUTCOME_WORDS[each] }}</option>
      </select>
      <input
        v-model="reason"
        class="form-control form-control-sm"
        required
        maxlength="200"
        aria-label="Why"
        placeholder="Why"
      />
      <BButton size="sm" type="submit" variant="primary">Correct</BButton>
    </form>
    <div v-else class="links">
      <button type="button" @click="correcting = true">Correct</button>
      <button type="button" @click="hearing.takeBack(page.id, event)">Take back</button>
    </div>
  </li>
</template>

<style scoped>
li {
  padding-left: 10px;
  border-left: 4px solid var(--line-strong);
}

li.passed {
  border-color: var(--spruce);
}

li.nearly {
  border-color: var(--brass);
}

strong {
  margin-right: 8px;
}

.chip {
  margin-left: 8px;
  font-size: 13px;
}

.clock {
  color: var(--brick);
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 4px;
}

form .form-control {
  flex: 1;
  min-width: 110px;
}

.links {
  display: flex;
  gap: 12px;
}

.links button {
  min-height: 28px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink-soft);
  text-decoration: underline;
}

@media (pointer: coarse) {
  .links button {
    min-height: 44px;
  }
}
</style>
