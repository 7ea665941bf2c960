<script setup lang="ts">
import type { StepDto } from '@escalier/contract/class-pages';
import HowComputed from '../../ui/HowComputed.vue';
import { riseLines } from '../classes/index.ts';

defineProps<{ step: StepDto }>();
</script>

<template>
  <section class="card-paper">
    <h2>Rise of this step: {{ step.rise.total }}</h2>
    <HowComputed>
      <ul class="bullets">
        <li v-for="line in riseLines(step.rise)" :key="line">{{ line }}</li>
      </ul>
      Each new note counts 2, a rhythm element 1, a sign 0.5, and a new move 0.3 of its cost; the move from B to A costs
      1.
    </HowComputed>
  </section>
</template>
