export { classPupilRoutes, pupilRoutes } from './routes.ts';
export type { PupilRecord } from './service.ts';
