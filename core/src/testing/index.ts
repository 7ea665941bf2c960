export { anyTune } from './random-tune.ts';
