<script setup lang="ts">
import type { StepDto } from '@escalier/server/api';
import HowComputed from '../../ui/HowComputed.vue';
import { riseLines } from '../classes/index.ts';

defineProps<{ step: StepDto }>();
</script>

<template>
  <section class="card-paper">
    <h2>Rise of this step: {{ step.rise.total }}</h2>
    <HowComputed>
      <ul>
        <li v-for="line in riseLines(step.rise)" :key="line">{{ line }}</li>
      </ul>
      A note counts 2, a rhythm element 1, a sign 0.5, a new move 0.3 of its cost; the finger that lands from B to A
      costs 1.
    </HowComputed>
  </section>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
