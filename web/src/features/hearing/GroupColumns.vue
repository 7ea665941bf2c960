<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import { reactive, watch } from 'vue';
import type { PupilView } from '../classes/index.ts';
import HowComputed from '../../ui/HowComputed.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import RemarkChips from './RemarkChips.vue';
import { OUTCOME_WORDS } from './words.ts';
import { counted } from '../../ui/count-messages.ts';

/** Several who play together: a column for each, one tap each. */
const props = defineProps<{ group: readonly PupilView[]; done: ReadonlyMap<string, Outcome> }>();
defineEmits<{ judge: [pupil: PupilView, outcome: Outcome, remarks: readonly string[]] }>();

const remarks = reactive<Record<string, string[]>>({});
watch(
  () => props.group.map((pupil) => pupil.id).join(),
  () => {
    for (const pupil of props.group) remarks[pupil.id] = [];
  },
  { immediate: true },
);
</script>

<template>
  <ul class="plain columns-of">
    <li v-for="pupil in group" :key="pupil.id" class="card-paper stack">
      <h2>{{ pupil.name }}</h2>
      <p v-if="done.has(pupil.id)" class="said">{{ OUTCOME_WORDS[done.get(pupil.id)!] }}</p>
      <template v-else>
        <OutcomeButtons
          small
          :pupil-name="pupil.name"
          @judge="$emit('judge', pupil, $event, remarks[pupil.id] ?? [])"
        />
        <HowComputed :label="counted('remarks', { n: remarks[pupil.id]?.length ?? 0 })">
          <RemarkChips v-model="remarks[pupil.id]!" small />
        </HowComputed>
      </template>
    </li>
  </ul>
</template>

<style scoped>
.columns-of {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 128px), 1fr));
  gap: 10px;
}

.columns-of > li {
  padding: 10px;
}

.columns-of h2 {
  font-size: var(--title);
}

.said {
  padding: 20px 0;
  font-family: var(--heading);
  font-size: var(--text-large);
  font-weight: 700;
}
</style>
