export { TermEntity } from './entities.ts';
export { withDays } from './input.ts';
export { termRoutes } from './routes.ts';
export type { TermDto } from './service.ts';
