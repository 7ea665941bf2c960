<script setup lang="ts">
import type { Instrument } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { computed } from 'vue';
import { differences, soundName } from './chart.ts';
import FingeringChart from './FingeringChart.vue';

/** The two bores of one recorder beside each other: only the notes that differ. */
const props = defineProps<{ on: Instrument; other: Instrument }>();
const rows = computed(() => differences(props.on, props.other));
</script>

<template>
  <div>
    <p>
      {{ rows.length }} notes have different fingerings, or makers differ. To tell the instruments apart: on a German
      one hole 5 is smaller than hole 4, and the plain fingering 0 123 4 is in tune.
    </p>
    <ul class="plain line pairs mt-3">
      <li v-for="{ a, b } in rows" :key="pitchName(a.spellings[0]!)" class="card-paper">
        <h2>{{ soundName(a) }}</h2>
        <div>
          <FingeringChart
            :on="on"
            :pitch="a.spellings[0]!"
            :label="on.id.endsWith('german') ? 'German' : 'Baroque'"
            :is-new="false"
          />
          <FingeringChart
            :on="other"
            :pitch="b.spellings[0]!"
            :label="other.id.endsWith('german') ? 'German' : 'Baroque'"
            :is-new="false"
          />
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.pairs div {
  display: flex;
  gap: 12px;
}

.pairs :deep(figcaption) {
  font-size: var(--text);
}
</style>
