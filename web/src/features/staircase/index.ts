export { changeStaircase } from './change-staircase.ts';
export { setLessons } from './draft.ts';
export { default as TuneFor } from './TuneFor.vue';
export { passRuleWords } from './words.ts';
