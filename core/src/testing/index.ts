export { anyTune } from './random-tune.ts';
export { GOOSE_WALK, KITE, LONG_PICKUP, MILLPOND, tuneOf } from './known-tunes.ts';
export { fuzz, FUZZ_NAMES, seededRandom, type FuzzReport } from './fuzz.ts';
export * from './simulated-class.ts';
export * from './recordings.ts';
export { SURROUNDINGS } from './surroundings.ts';
export * from './listen-to-made.ts';
