export type { NewEvent } from './database.ts';
export { useOutbox, type OutboxState } from './store.ts';
