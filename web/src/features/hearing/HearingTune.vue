<script setup lang="ts">
import { toRef } from 'vue';
import { RouterLink } from 'vue-router';
import { ScoreSheet } from '../../score/index.ts';
import { useStep } from '../staircase/index.ts';

/** The tune that is being heard, small. */
const props = defineProps<{ classId: string; position: number }>();
const { page, info, error } = useStep(toRef(props, 'classId'), toRef(props, 'position'));
</script>

<template>
  <section class="card-paper" aria-label="The tune">
    <p v-if="error !== null" role="alert">{{ error }}</p>
    <template v-if="page !== null && info !== null">
      <p class="line">
        <RouterLink :to="{ name: 'step', params: { classId, position } }">{{ page.step.title }}</RouterLink>
        <span class="soft">{{ info.reading.tempo.perMinute }} beats a minute</span>
      </p>
      <ScoreSheet
        :abc="page.abc"
        :title="page.step.title"
        :instrument-id="page.schoolClass.instrumentId"
        :naming="page.schoolClass.style.naming"
        :marks="[]"
      />
    </template>
  </section>
</template>

<style scoped>
section {
  min-height: 260px;
}

.line {
  display: flex;
  justify-content: space-between;
}
</style>
