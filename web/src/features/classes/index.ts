export { default as ClassTabs } from './ClassTabs.vue';
export { useClasses } from './store.ts';
export { longDate, noteWords, plural, riseLines, shortDate } from './words.ts';
