<script setup lang="ts">
import { FAULTS, STUCK_TRIES } from '@escalier/core/records';
import type { ClassPage } from '@escalier/server/api';
import { computed } from 'vue';
import { plural } from './words.ts';

const props = defineProps<{ page: ClassPage }>();

const stuck = computed(() => props.page.pupils.filter((pupil) => pupil.standing?.state === 'stuck'));

/** The remark that stands most often beside the last try of those who are stuck; one alone is no common cause. */
const common = computed(() => {
  const counts = new Map<string, number>();
  for (const pupil of stuck.value) {
    const current = pupil.standing?.steps.find(
      (step) => step.stepId === props.page.steps[pupil.standing?.stepIndex ?? 0]?.id,
    );
    for (const remark of current?.remarks ?? []) counts.set(remark, (counts.get(remark) ?? 0) + 1);
  }
  const [top] = [...counts].sort((a, b) => b[1] - a[1]);
  const fault = FAULTS.find((each) => each.id === top?.[0]);
  return fault === undefined || top === undefined || top[1] < 2 ? null : { fault, count: top[1] };
});
</script>

<template>
  <section class="card-paper">
    <h2>{{ stuck.length === 0 ? 'Nobody is stuck' : `${plural(stuck.length, 'pupil is', 'pupils are')} stuck` }}</h2>
    <template v-if="stuck.length > 0">
      <p class="names">
        <template v-for="(pupil, index) in stuck" :key="pupil.id">
          {{ pupil.name }}
          <span class="soft"
            >(step {{ (pupil.standing?.stepIndex ?? 0) + 1 }}){{ index < stuck.length - 1 ? ', ' : '' }}</span
          >
        </template>
      </p>
      <p v-if="common === null">Each for a reason of their own: no remark stands with two of them.</p>
      <p v-else>
        Most often: <strong>{{ common.fault.words.toLowerCase() }}</strong> ({{ common.count }} of {{ stuck.length }}).
        {{ common.fault.remedy }}
      </p>
    </template>
    <p class="soft rule">{{ STUCK_TRIES }} tries on a step without a pass count as stuck.</p>
  </section>
</template>

<style scoped>
p {
  margin-top: 4px;
}

.rule {
  font-size: 13px;
}
</style>
