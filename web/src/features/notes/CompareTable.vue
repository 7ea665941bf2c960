<script setup lang="ts">
import type { Instrument } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { computed } from 'vue';
import { differences, soundName } from './chart.ts';
import FingeringChart from './FingeringChart.vue';
import { t } from './messages.ts';

/** The two bores of one recorder beside each other: only the notes that differ. */
const props = defineProps<{ on: Instrument; other: Instrument }>();
const rows = computed(() => differences(props.on, props.other));
</script>

<template>
  <div>
    <p>
      {{ t('compare-table.rows-count-notes-are-fingered-differently', { rowsCount: rows.length }) }}
    </p>
    <ul class="plain line pairs mt-3">
      <li v-for="{ a, b } in rows" :key="pitchName(a.spellings[0]!)" class="card-paper">
        <h2>{{ soundName(a) }}</h2>
        <div>
          <FingeringChart
            :on="on"
            :pitch="a.spellings[0]!"
            :label="on.id.endsWith('german') ? t('compare-table.german') : t('compare-table.baroque')"
            :is-new="false"
          />
          <FingeringChart
            :on="other"
            :pitch="b.spellings[0]!"
            :label="other.id.endsWith('german') ? t('compare-table.german') : t('compare-table.baroque')"
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
