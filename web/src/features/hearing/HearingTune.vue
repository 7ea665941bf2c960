<script setup lang="ts">
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { ScoreSheet } from '../../score/index.ts';
import { useTune } from '../tunes/index.ts';

/** The tune that is being heard, small. */
const props = defineProps<{ classId: string; position: number }>();
const { page, info, error } = useTune(
  computed(() => ({ classId: props.classId, position: props.position })),
  ref(''),
);
</script>

<template>
  <section class="card-paper" aria-label="The tune">
    <p v-if="error !== null" role="alert">{{ error }}</p>
    <template v-if="page !== null && info !== null">
      <p class="line">
        <RouterLink :to="{ name: 'step', params: { classId, position } }">{{ page.title }}</RouterLink>
        <span class="soft">{{ info.reading.tempo.perMinute }} beats a minute</span>
      </p>
      <ScoreSheet
        :abc="page.abc"
        :title="page.title"
        :instrument-id="page.schoolClass?.instrumentId ?? ''"
        :naming="page.schoolClass?.style.naming ?? null"
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
