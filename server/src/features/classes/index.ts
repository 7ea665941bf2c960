export { classOf, openClasses, ownClasses, pupilOf } from './access.ts';
export {
  AbsenceEntity,
  ClassEntity,
  ClassNoteEntity,
  ClassTeacherEntity,
  ClassTuneEntity,
  PupilEntity,
  PupilMoveEntity,
} from './entities.ts';
export { classRoutes, findRoutes } from './routes.ts';
