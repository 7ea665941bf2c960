export { archiveRoutes } from './routes.ts';
export type { Imported } from './import.ts';
