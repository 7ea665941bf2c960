export { noteRoutes } from './routes.ts';
