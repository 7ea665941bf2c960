export { erasePersonalData } from './erase.ts';
export { classPupilRoutes, pupilRoutes } from './routes.ts';
