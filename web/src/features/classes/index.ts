export { default as ClassTabs } from './ClassTabs.vue';
export { useClasses } from './store.ts';
export { useLiveClass } from './use-live.ts';
export { warmUp } from './warm-up.ts';
export { longDate, noteWords, plural, QUEUE_RULE, riseLines, shortDate } from './words.ts';
