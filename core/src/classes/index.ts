export * from './class-view.ts';
