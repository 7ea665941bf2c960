export { TermEntity } from './entities.ts';
export { termRoutes } from './routes.ts';
export { termFacts } from './service.ts';
