export { costWords, describeMove } from './moves.ts';
export { bridgeWords, gapWords, trapWords } from './notes.ts';
export * from './tunes.ts';
export * from './stairs.ts';
export * from './teaching.ts';
export * from './lesson.ts';
export * from './listening.ts';
export * from './home.ts';
export { sheetWords, type SheetSpeech } from './sheet.ts';
