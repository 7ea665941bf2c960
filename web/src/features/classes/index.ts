export { default as ClassHead } from './ClassHead.vue';
export { useClasses } from './store.ts';
export { useLiveClass } from './use-live.ts';
export { warmUp } from './warm-up.ts';
export { QUEUE_RULE, riseLines } from './words.ts';
