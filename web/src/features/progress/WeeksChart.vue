<script setup lang="ts">
import type { WeekTrend } from '@escalier/core/records';
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js';
import { computed } from 'vue';
import { Bar } from 'vue-chartjs';
import { shortDate } from '../../ui/dates.ts';
import { colour, takeOnTheLook } from './chart-look.ts';
import { t } from './messages.ts';

const props = defineProps<{ weeks: readonly WeekTrend[] }>();
Chart.register(BarController, BarElement, CategoryScale, Legend, LinearScale, Tooltip);
takeOnTheLook();

const data = computed(() => ({
  labels: props.weeks.map((week) => shortDate(week.week)),
  datasets: [
    {
      label: t('weeks-chart.passed'),
      data: props.weeks.map((week) => week.passed),
      backgroundColor: colour('--spruce'),
    },
    {
      label: t('weeks-chart.heard-not-passed'),
      data: props.weeks.map((week) => Math.max(0, week.heard - week.passed)),
      backgroundColor: colour('--stone'),
      borderColor: colour('--ink'),
      borderWidth: 1,
    },
  ],
}));
const options = {
  scales: { x: { stacked: true, grid: { display: false } }, y: { stacked: true, ticks: { precision: 0 } } },
  plugins: { legend: { position: 'bottom' as const } },
};
const words = computed(() =>
  t('weeks-chart.passes-week-by-week-list', {
    list: props.weeks
      .map((week) =>
        t('weeks-chart.date-passed-of-heard', { date: shortDate(week.week), passed: week.passed, heard: week.heard }),
      )
      .join(', '),
  }),
);
</script>

<template>
  <div class="chart"><Bar :data="data" :options="options" :aria-label="words" /></div>
</template>

<style scoped>
.chart {
  height: 230px;
}
</style>
