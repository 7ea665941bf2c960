export { useHearing } from './store.ts';
