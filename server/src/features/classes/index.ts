export { classOf, openClasses, ownClasses, pupilOf } from './access.ts';
export {
  AbsenceEntity,
  ClassEntity,
  ClassTeacherEntity,
  ClassTuneEntity,
  PupilEntity,
  PupilMoveEntity,
  type BreathPlace,
  type TeachingStyle,
} from './entities.ts';
export type { Findable } from './find.ts';
export { classRoutes, findRoutes } from './routes.ts';
export type { ClassSettings } from './settings.ts';
