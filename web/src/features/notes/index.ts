export { default as FingeringChart } from './FingeringChart.vue';
