export { default as HeardLive } from './HeardLive.vue';
export { default as SoundCheck } from './SoundCheck.vue';
