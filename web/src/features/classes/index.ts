export { useClasses } from './store.ts';
export { noteWords, plural, riseLines, shortDate } from './words.ts';
