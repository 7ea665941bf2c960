export { changedFields, changedMeanwhile, lastChange, changeVersion, noteChange, type ChangeLine } from './changes.ts';
export { ChangeEntity } from './entities.ts';
export { changeRoutes } from './routes.ts';
