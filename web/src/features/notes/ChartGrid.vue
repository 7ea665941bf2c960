<script setup lang="ts">
import { fingeringWords, chartOf, makersDiffer, type Fingering, type Instrument } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { computed } from 'vue';
import { soundName } from './chart.ts';
import FingeringChart from './FingeringChart.vue';
import { t } from './messages.ts';

/** The whole chart, low to high; pressing two fingerings shows the move between them. */
const props = defineProps<{ on: Instrument; picked: readonly Fingering[] }>();
defineEmits<{ pick: [fingering: Fingering] }>();

const rows = computed(() => chartOf(props.on));

function place(fingering: Fingering): number {
  return props.picked.indexOf(fingering);
}
</script>

<template>
  <ol class="chart">
    <li v-for="row in rows" :key="pitchName(row.spellings[0]!)">
      <button
        v-for="(fingering, index) in row.fingerings"
        :key="index"
        type="button"
        :class="{ picked: place(fingering) >= 0, alternate: index > 0 }"
        :aria-pressed="place(fingering) >= 0"
        :aria-label="`${soundName(row)}: ${fingeringWords(on, fingering)}`"
        @click="$emit('pick', fingering)"
      >
        <FingeringChart
          :on="on"
          :pitch="row.spellings[0]!"
          :shown="fingering"
          :label="index === 0 ? soundName(row) : 'also'"
          :is-new="false"
        />
        <span v-if="place(fingering) >= 0" class="order">{{ place(fingering) === 0 ? 'from' : 'to' }}</span>
      </button>
      <p v-if="makersDiffer(on, row.spellings[0]!)" class="differ">
        {{ t('chart-grid.makers-differ-check-their-chart') }}
      </p>
    </li>
  </ol>
</template>

<style scoped lang="scss">
.chart {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-start;
  max-width: 220px;
}

button {
  position: relative;
  padding: 0;
  border: 2px solid transparent;
  border-radius: var(--radius);
  background: none;
  color: var(--ink);
}

button:hover {
  border-color: var(--line-strong);
}

button.picked {
  border-color: var(--brass);
  background: var(--brass-soft);
}

.alternate {
  opacity: 0.95;
}

button :deep(figcaption) {
  font-size: var(--text-large);
}

.order {
  position: absolute;
  right: 4px;
  top: 34px;
  padding: 0 6px;
  border-radius: var(--radius-small);
  background: var(--brass-deep);
  color: var(--white);
  font-size: var(--text-small);
}

.differ {
  width: 92px;
  color: var(--brick);
  font-size: var(--text-small);
  line-height: 1.2;
}

@media print {
  .chart {
    gap: 2px 6px;
  }

  li {
    break-inside: avoid;
  }

  .order {
    display: none;
  }

  button.picked {
    border-color: transparent;
    background: none;
  }
}
</style>
