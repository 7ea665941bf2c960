export type { ClassBrief, ClassPage, ClassSummary, PupilDto, StepDto, StepPage, TunePage } from './dto.ts';
export { ClassEntity, ClassTuneEntity, PupilEntity, type TeachingStyle } from './entities.ts';
export { classRoutes } from './routes.ts';
export { classClimb, classPage, pupilStanding, type ClimbStep } from './service.ts';
