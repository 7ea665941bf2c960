<script setup lang="ts">
import { computed } from 'vue';
import { useSeenNow } from '../../../ui/use-seen-timer.ts';

/** What is left of a part, as a thin line that gets shorter: for who wants to know, and never a number that worries. */
const props = defineProps<{
  /** In milliseconds. */
  from: number;
  until: number;
}>();
const now = useSeenNow(1000);
const left = computed(() =>
  Math.max(0, Math.min(1, (props.until - now.value) / Math.max(1, props.until - props.from))),
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
