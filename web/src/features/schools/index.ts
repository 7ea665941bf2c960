export { default as CautionEditor } from './CautionEditor.vue';
export { default as SchoolHead } from './SchoolHead.vue';
export { default as TakeCare } from './TakeCare.vue';
export { useRemarks } from './remarks.ts';
export { useSession } from './session.ts';
export { schoolPages } from './tabs.ts';
