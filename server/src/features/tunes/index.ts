export { TuneEntity } from './entities.ts';
export { tuneRoutes } from './routes.ts';
export { oneTune } from './service.ts';
