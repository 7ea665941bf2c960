export { erasePersonalData } from './erase.ts';
export type { Trace } from '../erasures/index.ts';
export { classPupilRoutes, pupilRoutes } from './routes.ts';
export type { PupilRecord } from './service.ts';
