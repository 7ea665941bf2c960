export type { HeardDraft } from './events.ts';
export { default as LessonTurn } from './LessonTurn.vue';
export { default as LastRecordStrip } from './LastRecordStrip.vue';
export { default as OutcomeButtons } from './OutcomeButtons.vue';
export { default as RemarkChips } from './RemarkChips.vue';
export { useHearing } from './store.ts';
export { OUTCOME_WORDS } from './words.ts';
