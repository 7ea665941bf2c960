<script setup lang="ts">
import { primaryFingering, type Instrument } from '@escalier/core/instruments';
import type { Pitch } from '@escalier/core/music';
import { computed } from 'vue';

/** A fingering in the smallest size, to stand under a note. */
const props = defineProps<{ on: Instrument; pitch: Pitch }>();
const holes = computed(() => {
  const fingering = primaryFingering(props.on, props.pitch);
  if (fingering === null) return [];
  const leftHand = props.on.holes.filter((hole) => hole.hand === 'left').length;
  return fingering.holes.map((state, index) => ({
    state,
    y: 5 + index * 8 + (index >= leftHand ? 4 : 0),
    thumb: props.on.holes[index]!.finger === 'thumb',
  }));
});
</script>

<template>
  <svg width="14" :height="10 + on.holes.length * 8" aria-hidden="true">
    <g v-for="hole in holes" :key="hole.y" :transform="`translate(${hole.thumb ? 4 : 8} ${hole.y})`">
      <circle r="3" :class="hole.state" />
      <path v-if="hole.state === 'half'" class="closed" d="M0-3a3 3 0 0 0 0 6z" />
    </g>
  </svg>
</template>

<style scoped>
circle {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 1.2;
}

.closed {
  fill: var(--ink);
}
</style>
