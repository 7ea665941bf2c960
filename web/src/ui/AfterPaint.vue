<script setup lang="ts">
import { useGrowing } from './after-paint.ts';

/** What is drawn when the rest of the page has been, so that a small device answers in between. */
const { turns = 1 } = defineProps<{ /** How many drawings to wait for. */ turns?: number }>();
const drawn = useGrowing(1, turns + 1);
</script>

<template>
  <slot v-if="drawn > turns" />
</template>
