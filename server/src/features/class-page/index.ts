export { classNeeds, classPasses } from './needs.ts';
export { classPageRoutes } from './routes.ts';
export type { ClassRow } from './queries.ts';
export { knowledgeBefore, oneClass } from './state.ts';
export { classClimb, classPage, listClasses, type ClimbStep } from './service.ts';
