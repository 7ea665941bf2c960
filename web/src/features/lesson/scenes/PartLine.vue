<script setup lang="ts">
import { useNow } from '@vueuse/core';
import { computed } from 'vue';

/** What is left of a part, as a thin line that gets shorter: for who wants to know, and never a number that worries. */
const props = defineProps<{
  /** In milliseconds. */
  from: number;
  until: number;
}>();
const EACH_SECOND = { interval: 1000 };
const now = useNow(EACH_SECOND);
const left = computed(() =>
  Math.max(0, Math.min(1, (props.until - now.value.getTime()) / Math.max(1, props.until - props.from))),
);
</script>

<template>
  <span class="part-line" aria-hidden="true" :style="{ transform: `scaleX(${left})` }"></span>
</template>

<style scoped lang="scss">
.part-line {
  position: absolute;
  inset: auto 0 0;
  height: 0.9cqh;
  background: var(--spruce);
  transform-origin: left;
}
</style>
