export { withDays } from './input.ts';
export { calendarRoutes, subscribedRoutes, termRoutes } from './routes.ts';
export type { ClassCalendar, TermDto } from './service.ts';
