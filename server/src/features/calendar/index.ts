export { calendarRoutes, subscribedRoutes } from './routes.ts';
export type { ClassCalendar } from './service.ts';
