export { default as FingeringChart } from './FingeringChart.vue';
export { default as BeatClock } from './BeatClock.vue';
export { echoNotes, type NoteLesson } from './lesson.ts';
export { default as PipePicture } from './PipePicture.vue';
export { useNoteLesson } from './use-note-lesson.ts';
