<script setup lang="ts">
/** Sentences for the pupil, a tap each; what is heard fills in the bar. */
const props = defineProps<{ bar: number | null }>();
defineEmits<{ say: [words: string] }>();

const place = (): string => (props.bar === null ? 'the hard place' : `bar ${props.bar}`);
const ANSWERS: readonly { readonly label: string; readonly words: () => string }[] = [
  { label: 'Well done', words: () => 'Well done! I enjoyed that.' },
  { label: 'Once more', words: () => `Nearly there. Practise ${place()} slowly, then send it once more.` },
  { label: 'Slower', words: () => 'Good work. Play it slower and keep the beat, then a little faster each day.' },
  { label: 'Gentler', words: () => 'Good fingers. Now blow more gently, with a soft “doo” for each note.' },
  { label: 'In class', words: () => 'Play it to me in our next lesson.' },
];
</script>

<template>
  <div class="line" role="group" aria-label="Ready answers">
    <BButton v-for="answer in ANSWERS" :key="answer.label" size="sm" @click="$emit('say', answer.words())">{{
      answer.label
    }}</BButton>
  </div>
</template>
