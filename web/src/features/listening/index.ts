export { default as HeardLive } from './HeardLive.vue';
export { listeningRule } from './rule.ts';
export { default as SoundCheckButton } from './SoundCheckButton.vue';
export { tuneText } from './tune-text.ts';
