export { tuneUseRoutes } from './routes.ts';
