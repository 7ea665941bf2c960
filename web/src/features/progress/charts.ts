import { defineAsyncComponent } from 'vue';

/** Chart.js loads when a chart is first shown. */
export const ClimbChart = defineAsyncComponent(() => import('./ClimbChart.vue'));
export const WeeksChart = defineAsyncComponent(() => import('./WeeksChart.vue'));
