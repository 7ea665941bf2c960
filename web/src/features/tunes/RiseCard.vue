<script setup lang="ts">
import type { StepDto } from '@escalier/contract/class-pages';
import HowComputed from '../../ui/HowComputed.vue';
import { riseLines } from '../classes/index.ts';
import { t } from './messages.ts';

defineProps<{ step: StepDto }>();
</script>

<template>
  <section class="card-paper">
    <h2>{{ t('rise-card.rise-of-this-step-total', { total: step.rise.total }) }}</h2>
    <HowComputed>
      <ul class="bullets">
        <li v-for="line in riseLines(step.rise)" :key="line">{{ line }}</li>
      </ul>
      {{ t('rise-card.each-new-note-counts-2-a') }}
    </HowComputed>
  </section>
</template>
