export { calendarRoutes, subscribedRoutes } from './routes.ts';
