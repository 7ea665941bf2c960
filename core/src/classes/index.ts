export * from './class-view.ts';
export * from './forecast.ts';
export * from './unit-fit.ts';
