export { LessonEventEntity } from './entities.ts';
export { lessonRoutes } from './routes.ts';
