export { tuneUseRoutes } from './routes.ts';
export type { TuneUse } from './service.ts';
