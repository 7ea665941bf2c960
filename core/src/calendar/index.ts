export * from './lessons.ts';
