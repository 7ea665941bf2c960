export { classOf, openClasses, ownClasses, pupilOf } from './access.ts';
export {
  AbsenceEntity,
  ClassEntity,
  ClassNoteEntity,
  ClassTeacherEntity,
  ClassTuneEntity,
  PupilEntity,
  PupilMoveEntity,
  type BreathPlace,
  type Brings,
  type TeachingStyle,
} from './entities.ts';
export type { Findable } from './find.ts';
export { bringsInput, NOTHING_BROUGHT, teachingInput } from './input.ts';
export { classRoutes, findRoutes } from './routes.ts';
export type { ClassSettings } from './settings.ts';
