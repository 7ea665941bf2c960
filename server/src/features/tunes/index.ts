export { TuneEntity } from './entities.ts';
export { parsedTune } from './parsed.ts';
