<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import type { PupilDto } from '@escalier/server/api';
import { reactive, watch } from 'vue';
import { plural } from '../../ui/plural.ts';
import FaultChips from './FaultChips.vue';
import OutcomeButtons from './OutcomeButtons.vue';
import { OUTCOME_WORDS } from './words.ts';

/** Several who play together: a column for each, one tap each. */
const props = defineProps<{ group: readonly PupilDto[]; done: ReadonlyMap<string, Outcome> }>();
defineEmits<{ judge: [pupil: PupilDto, outcome: Outcome, remarks: readonly string[]] }>();

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
  <ul class="columns" :style="{ gridTemplateColumns: `repeat(${group.length}, minmax(0, 1fr))` }">
    <li v-for="pupil in group" :key="pupil.id" class="card-paper">
      <h2>{{ pupil.name }}</h2>
      <p v-if="done.has(pupil.id)" class="said">{{ OUTCOME_WORDS[done.get(pupil.id)!] }}</p>
      <template v-else>
        <OutcomeButtons
          small
          :pupil-name="pupil.name"
          @judge="$emit('judge', pupil, $event, remarks[pupil.id] ?? [])"
        />
        <details>
          <summary>{{ plural(remarks[pupil.id]?.length ?? 0, 'remark', 'remarks') }}</summary>
          <FaultChips v-model="remarks[pupil.id]!" small />
        </details>
      </template>
    </li>
  </ul>
</template>

<style scoped>
.columns {
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  gap: 10px;
  align-content: start;
  padding: 10px;
}

h2 {
  font-size: 1.4rem;
  overflow-wrap: anywhere;
}

summary {
  min-height: 44px;
  padding: 10px 0;
}

.said {
  padding: 20px 0;
  font-family: var(--heading);
  font-size: 1.3rem;
  font-weight: 700;
}
</style>
