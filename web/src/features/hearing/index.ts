export { default as OutcomeButtons } from './OutcomeButtons.vue';
export { default as RemarkChips } from './RemarkChips.vue';
export { useHearing } from './store.ts';
export { OUTCOME_WORDS } from './words.ts';
