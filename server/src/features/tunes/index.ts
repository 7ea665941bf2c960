export { TuneEntity } from './entities.ts';
export { tuneRoutes } from './routes.ts';
export { oneTune, type TuneDto, type TuneUse } from './service.ts';
