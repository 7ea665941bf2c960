export { TuneEntity } from './entities.ts';
export { tuneRoutes } from './routes.ts';
export { oneTune, type TuneDto } from './service.ts';
