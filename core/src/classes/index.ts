export * from './class-view.ts';
export * from './forecast.ts';
