<script setup lang="ts">
import { Chart, Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { computed } from 'vue';
import { Line } from 'vue-chartjs';
import { BRASS, INK, SPRUCE, SPRUCE_PALE, takeOnTheLook } from './chart-look.ts';
import type { TrendsOfClass } from './trends.ts';

/** What came, the fan of what may come, and dashed the fan of the first half. */
const props = defineProps<{ trends: TrendsOfClass; steps: number }>();
Chart.register(Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip);
takeOnTheLook();

const points = (values: readonly number[], from: number) => values.map((y, index) => ({ x: from + index, y }));

const data = computed(() => {
  const { came, now, then } = props.trends;
  const plain = { pointRadius: 0, borderWidth: 1.5, fill: false as boolean | string };
  return {
    datasets: [
      { ...plain, label: 'Came', data: points(came, 0), borderColor: INK, borderWidth: 3 },
      { ...plain, label: 'Likely from now on', data: points(now.high, now.from), borderColor: SPRUCE },
      {
        ...plain,
        label: '',
        data: points(now.low, now.from),
        borderColor: SPRUCE,
        backgroundColor: SPRUCE_PALE,
        fill: '-1',
      },
      { ...plain, label: '', data: points(now.middle, now.from), borderColor: SPRUCE, borderDash: [2, 3] },
      ...(then === null
        ? []
        : [
            {
              ...plain,
              label: `Likely after ${then.from} lessons`,
              data: points(then.high, then.from),
              borderColor: BRASS,
              borderDash: [6, 4],
            },
            {
              ...plain,
              label: '',
              data: points(then.low, then.from),
              borderColor: BRASS,
              borderDash: [6, 4],
            },
          ]),
    ],
  };
});
const options = computed(() => ({
  scales: {
    x: {
      type: 'linear' as const,
      max: props.trends.lessonsHad + props.trends.lessonsLeft,
      title: { display: true, text: 'Lessons' },
      ticks: { precision: 0 },
      grid: { display: false },
    },
    y: { min: 0, max: props.steps, title: { display: true, text: 'Steps passed' }, ticks: { stepSize: 1 } },
  },
  plugins: {
    legend: {
      position: 'bottom' as const,
      labels: { boxWidth: 26, boxHeight: 2, filter: ({ text }: { text: string }) => text !== '' },
    },
  },
}));
const words = computed(() => {
  const { came, now, lessonsHad } = props.trends;
  const end = (line: readonly number[]): string => (line.at(-1) ?? 0).toFixed(1);
  return `Steps passed on the average: ${(came.at(-1) ?? 0).toFixed(1)} after ${lessonsHad} lessons; by the end of the term ${end(now.low)} to ${end(now.high)}, in the middle ${end(now.middle)}`;
});
</script>

<template>
  <div class="chart"><Line :data="data" :options="options" :aria-label="words" /></div>
</template>

<style scoped>
.chart {
  height: 300px;
}
</style>
