export { default as CautionEditor } from './CautionEditor.vue';
export { default as SchoolHead } from './SchoolHead.vue';
export { default as TakeCare } from './TakeCare.vue';
export { useFaults } from './faults.ts';
export { useSession } from './session.ts';
