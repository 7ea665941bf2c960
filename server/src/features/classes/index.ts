export type { ClassPage, ClassSummary, PupilDto, StepDto, StepPage } from './dto.ts';
export { ClassEntity, PupilEntity, type TeachingStyle } from './entities.ts';
export { classRoutes } from './routes.ts';
export { classPage, pupilStanding } from './service.ts';
