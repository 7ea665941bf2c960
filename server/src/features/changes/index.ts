export { changedFields, changedMeanwhile, lastChange, changeVersion, logChange } from './changes.ts';
export { ChangeEntity } from './entities.ts';
export { changeRoutes } from './routes.ts';
