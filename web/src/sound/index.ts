export { usePlayer } from './use-player.ts';
