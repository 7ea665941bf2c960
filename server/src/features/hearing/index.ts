export { RecordCountEntity, RecordEventEntity } from './entities.ts';
export { hearingRoutes } from './routes.ts';
export type { Recorded } from './service.ts';
