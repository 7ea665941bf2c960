export * from './events.ts';
export * from './remarks.ts';
export * from './forecast.ts';
export { groupBy } from './group.ts';
export * from './next.ts';
export * from './points.ts';
export * from './standings.ts';
export * from './stuck.ts';
export * from './trends.ts';
