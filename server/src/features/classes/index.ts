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
export { classRoutes, findRoutes, staircaseRoutes } from './routes.ts';
export type { ClassSettings, StaircaseChoice } from './settings.ts';
