export { default as ScoreSheet } from './ScoreSheet.vue';
