export { default as ClassHead } from './ClassHead.vue';
export type { ClassView, PupilView, StepView } from './project.ts';
export { default as StairPicture } from './StairPicture.vue';
export type { StairLayout } from './stair-layout.ts';
export { useClasses } from './store.ts';
export { useLiveClass } from './use-live.ts';
export { warmUp } from './warm-up.ts';
export { QUEUE_RULE, queueWords, riseLines, stuckWords } from './words.ts';
export { useAway } from './away.ts';
