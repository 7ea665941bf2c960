<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ClassView } from '../classes/index.ts';
import SoundCheck from './SoundCheck.vue';
import { t } from './messages.ts';

/** Opens the sound check of a class, on the notes that it has up to a step, counted from 1. */
const props = defineProps<{ page: ClassView; position: number }>();
const open = ref(false);
const notes = computed(() => props.page.steps.slice(0, props.position).flatMap((step) => step.newNotes));
const present = computed(() =>
  props.page.pupils.filter(({ standing, away }) => standing !== null && !away).map(({ name }) => name),
);
</script>

<template>
  <BButton @click="open = true">{{ t('sound-check-button.sound-check') }}</BButton>
  <BModal v-model="open" :title="t('sound-check-button.sound-check')" title-tag="h2" size="lg" no-footer unmount-lazy>
    <SoundCheck :instrument-id="page.instrumentId" :notes="notes" :pupils="present" />
  </BModal>
</template>
