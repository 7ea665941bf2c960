export { classOf, openClasses, ownClasses, pupilOf } from './access.ts';
export type { ClassFacts, ClassPage, ClassSummary, PupilDto, StepDto, StepPage, TunePage } from './dto.ts';
export {
  AbsenceEntity,
  ClassEntity,
  ClassTeacherEntity,
  ClassTuneEntity,
  KeptStandingEntity,
  PupilEntity,
  PupilMoveEntity,
  type TeachingStyle,
} from './entities.ts';
export { toEvent, type EventRow } from './read-events.ts';
export type { Findable } from './find.ts';
export { classRoutes, findRoutes, pupilRoutes, staircaseRoutes } from './routes.ts';
export { classClimb, classPage, listClasses, type ClassRecords, type ClimbStep } from './service.ts';
export type { PupilRecord } from './pupils.ts';
export type { ClassSettings, StaircaseChoice } from './settings.ts';
export { classNeeds, classPasses, type ClassNeeds } from './needs.ts';
export { localToday } from './state.ts';
