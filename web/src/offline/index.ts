export { useOutbox } from './store.ts';
