export { default as ScoreSheet } from './ScoreSheet.vue';
export type { ScoreMark } from './marks.ts';
