export * from './class-view.ts';
export * from './forecast.ts';
export * from './unit-fit.ts';
export { classSpots, type ClassSpot } from './spots.ts';
export * from './unit-plan.ts';
