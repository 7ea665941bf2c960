<script setup lang="ts">
import { ladder, type RungId } from '@escalier/core/practice';
import { computed } from 'vue';
import type { TuneInfo } from '../../workers/index.ts';
import { barsWords } from './words.ts';

/** The class's practice ladder for this tune: each rung with what it means here. */
const props = defineProps<{ info: TuneInfo; rungs: readonly RungId[] }>();
const steps = computed(() => ladder(props.rungs));
const spot = computed(() => props.info.reading.hardSpots[0] ?? null);

function detail(id: RungId): string {
  const tempo = props.info.reading.tempo.perMinute;
  switch (id) {
    case 'slow':
      return spot.value === null ? '' : `at ${spot.value.drill.ladder[0]} of ${tempo}`;
    case 'spot':
      return spot.value === null ? 'none here' : barsOf(spot.value.bars);
    case 'join':
      return barsWords(props.info.reading.form.learnBars);
    case 'whole':
    case 'alone':
      return `at ${tempo}`;
    case 'say':
    case 'clap':
    case 'finger':
    case 'backing':
      return '';
  }
}

function barsOf([first, last]: readonly [number, number]): string {
  return barsWords(Array.from({ length: last - first + 1 }, (_, index) => first + index));
}
</script>

<template>
  <section class="card-paper">
    <h2>Practice ladder</h2>
    <ol class="bullets">
      <li v-for="rung in steps" :key="rung.id">
        {{ rung.words }}<span v-if="detail(rung.id) !== ''" class="soft">, {{ detail(rung.id) }}</span>
      </li>
    </ol>
  </section>
</template>
