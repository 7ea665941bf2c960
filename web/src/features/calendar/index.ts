export { WEEKDAY_OPTIONS } from './words.ts';
export { default as CapacityCard } from './CapacityCard.vue';
export { default as GroupsCard } from './GroupsCard.vue';
export { default as MeetingEditor } from './MeetingEditor.vue';
export { default as SubscribeCard } from './SubscribeCard.vue';
export { default as TermPicture } from './TermPicture.vue';
export { termAt } from './use-terms.ts';
