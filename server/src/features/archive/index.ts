export { archiveRoutes } from './routes.ts';
export type { Imported } from './import.ts';
export { exportSchool } from './export.ts';
