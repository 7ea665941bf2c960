<script setup lang="ts">
import { Chart, Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { computed } from 'vue';
import { Line } from 'vue-chartjs';
import { colour, takeOnTheLook } from './chart-look.ts';
import type { TrendsOfClass } from './trends.ts';
import { t } from './messages.ts';

/** Steps passed so far, the range expected from now on, and dashed the range predicted halfway. */
const props = defineProps<{ trends: TrendsOfClass; steps: number }>();
Chart.register(Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip);
takeOnTheLook();

const points = (values: readonly number[], from: number) => values.map((y, index) => ({ x: from + index, y }));

const data = computed(() => {
  const { came, now, then } = props.trends;
  const plain = { pointRadius: 0, borderWidth: 1.5, fill: false as boolean | string };
  return {
    datasets: [
      {
        ...plain,
        label: t('climb-chart.passed-so-far'),
        data: points(came, 0),
        borderColor: colour('--ink'),
        borderWidth: 3,
      },
      {
        ...plain,
        label: t('climb-chart.forecast'),
        data: points(now.high, now.from),
        borderColor: colour('--spruce'),
      },
      {
        ...plain,
        label: '',
        data: points(now.low, now.from),
        borderColor: colour('--spruce'),
        backgroundColor: `${colour('--spruce')}38`,
        fill: '-1',
      },
      { ...plain, label: '', data: points(now.middle, now.from), borderColor: colour('--spruce'), borderDash: [2, 3] },
      ...(then === null
        ? []
        : [
            {
              ...plain,
              label: t('climb-chart.forecast-after-lesson-from', { from: then.from }),
              data: points(then.high, then.from),
              borderColor: colour('--brass'),
              borderDash: [6, 4],
            },
            {
              ...plain,
              label: '',
              data: points(then.low, then.from),
              borderColor: colour('--brass'),
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
      title: { display: true, text: t('climb-chart.lessons') },
      ticks: { precision: 0 },
      grid: { display: false },
    },
    y: {
      min: 0,
      max: props.steps,
      title: { display: true, text: t('climb-chart.steps-passed') },
      ticks: { stepSize: 1 },
    },
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
  return t('climb-chart.average-steps-passed-number-after-lessons', {
    number: (came.at(-1) ?? 0).toFixed(1),
    lessonsHad,
    end: end(now.low),
    end2: end(now.high),
    end3: end(now.middle),
  });
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
