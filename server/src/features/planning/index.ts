export { classStaircaseRoutes, staircaseRoutes } from './routes.ts';
export type { StaircaseChoice, StaircaseDto, StaircaseStepDto } from './read.ts';
