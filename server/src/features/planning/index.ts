export { classStaircaseRoutes, staircaseRoutes } from './routes.ts';
