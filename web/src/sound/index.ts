export { render } from './player.ts';
export { scheduleOf } from './schedule.ts';
export { encodeWav } from './wav.ts';
export { usePlayer } from './use-player.ts';
