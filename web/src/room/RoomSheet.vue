<script setup lang="ts">
import { computed } from 'vue';
import { ScoreSheet, type ScoreMark } from '../score/index.ts';
import { useRoom } from './use-room.ts';

/** A tune as the class writes names under it. */
const props = defineProps<{
  abc: string;
  title: string;
  marks: readonly ScoreMark[];
  words?: boolean;
  counting?: boolean;
  pickable?: boolean;
}>();
defineEmits<{ pick: [bar: string, note: string | null] }>();
const { facts } = useRoom();
/** So few notes on a line that a telephone shows them large. */
const PHONE = 560;
const notesOnLine = window.innerWidth < PHONE ? 8 : undefined;
const naming = computed(() => (props.words === true ? null : (facts.value?.style.naming ?? 'letters')));
</script>

<template>
  <ScoreSheet
    v-if="facts !== null"
    :abc="abc"
    :title="title"
    :instrument-id="facts.instrumentId"
    :naming="naming"
    :names-aloud="facts.style.naming"
    :lengths="facts.style.lengthWords"
    :counting="counting === true ? facts.style.counting : null"
    :notes-on-line="notesOnLine"
    :marks="marks"
    :pickable="pickable === true"
    @pick="(bar, note) => $emit('pick', bar, note)"
  />
</template>
