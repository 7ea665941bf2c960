export type { ClassPage, ClassSummary, PupilDto, StepDto, StepPage, TunePage } from './dto.ts';
export { ClassEntity, ClassTuneEntity, PupilEntity, type TeachingStyle } from './entities.ts';
export { classRoutes } from './routes.ts';
export { classPage, pupilStanding } from './service.ts';
