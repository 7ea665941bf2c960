export { atRate } from './at-rate.ts';
export {
  beatOf,
  clickSchedule,
  echoSchedule,
  notesSchedule,
  risingTempi,
  TOGGLE_NOTES,
  toggleSchedule,
  walkSchedule,
} from './lesson-schedules.ts';
export { render, type Voices } from './player.ts';
export { scheduleOf, turnOfCue, turnsSchedule } from './schedule.ts';
export { useListen } from './use-listen.ts';
export { useMicrophone } from './use-microphone.ts';
export { usePlayer } from './use-player.ts';
export { useListener } from './use-listener.ts';
export { useTake, type Take } from './use-take.ts';
export { useMute, useSound } from './use-sound.ts';
