export { noteRoutes } from './routes.ts';
export type { ClassNotes, NoteOnStairs } from './service.ts';
