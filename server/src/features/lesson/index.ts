export { LessonEventEntity } from './entities.ts';
export { lessonEventContent } from './input.ts';
export { lessonRoutes } from './routes.ts';
export type { DatedLessonEvent } from './service.ts';
