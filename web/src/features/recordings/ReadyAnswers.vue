<script setup lang="ts">
import { t } from './messages.ts';
/** Sentences for the pupil, a tap each; what is heard fills in the bar. */
const props = defineProps<{ bar: number | null }>();
defineEmits<{ say: [words: string] }>();

const place = (): string => (props.bar === null ? t('ready-answers.the-hard-place') : t('bar.one', { bar: props.bar }));
const ANSWERS: readonly { readonly label: string; readonly words: () => string }[] = [
  { label: t('ready-answers.well-done'), words: () => t('ready-answers.well-done-i-enjoyed-that') },
  {
    label: t('ready-answers.once-more'),
    words: () => t('ready-answers.nearly-there-practise-place-slowly-then', { place: place() }),
  },
  { label: t('ready-answers.slower'), words: () => t('ready-answers.good-work-play-it-slower-and') },
  { label: t('ready-answers.gentler'), words: () => t('ready-answers.good-fingers-now-blow-more-gently') },
  { label: t('ready-answers.in-class'), words: () => t('ready-answers.play-it-to-me-in-our') },
];
</script>

<template>
  <div class="line" role="group" :aria-label="t('ready-answers.ready-answers')">
    <BButton v-for="answer in ANSWERS" :key="answer.label" size="sm" @click="$emit('say', answer.words())">{{
      answer.label
    }}</BButton>
  </div>
</template>
