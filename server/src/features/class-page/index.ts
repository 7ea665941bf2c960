export type { ClassFacts, ClassPage, ClassSummary, PupilDto, StepDto, StepPage, TunePage } from './dto.ts';
export { classNeeds, classPasses, type ClassNeeds } from './needs.ts';
export { classPageRoutes } from './routes.ts';
export type { ClassRow } from './queries.ts';
export { knowledgeBefore, oneClass } from './state.ts';
export { classClimb, classPage, listClasses, type ClimbStep } from './service.ts';
