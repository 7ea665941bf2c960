export { useHearing } from './store.ts';
export { OUTCOME_WORDS } from './words.ts';
