export { RecordCountEntity, RecordEventEntity } from './entities.ts';
export { liveRecords, type LiveRecords } from './live.ts';
export { hearingRoutes } from './routes.ts';
export { liveStreams } from './streams.ts';
export type { Recorded } from './service.ts';
