export * from './events.ts';
export * from './faults.ts';
export * from './forecast.ts';
export * from './next.ts';
export * from './standings.ts';
