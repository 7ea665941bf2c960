export { TuneEntity } from './entities.ts';
export { parsedTune } from './parsed.ts';
export { tuneRoutes } from './routes.ts';
export { oneTune, readText, type TuneDto } from './service.ts';
