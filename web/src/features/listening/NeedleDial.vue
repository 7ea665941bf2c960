<script setup lang="ts">
import { computed } from 'vue';

/** How far a note is off, as a needle, with its name. */
const props = defineProps<{ cents: number | null; name: string | null }>();
const WIDEST = 50;
const DEGREES = 60;
const turn = computed(() => (Math.max(-WIDEST, Math.min(WIDEST, props.cents ?? 0)) / WIDEST) * DEGREES);
const words = computed(() => {
  if (props.cents === null) return 'silent';
  const cents = Math.round(props.cents);
  return Math.abs(cents) < 8 ? 'true' : `${Math.abs(cents)} cents ${cents < 0 ? 'low' : 'high'}`;
});
const TICKS = [-50, -25, 0, 25, 50];
</script>

<template>
  <svg class="dial" viewBox="0 0 220 150" role="img" :aria-label="`${name ?? 'No note'}, ${words}`">
    <path class="arc" d="M23 80A100 100 0 0 1 197 80" />
    <line
      v-for="tick in TICKS"
      :key="tick"
      class="tick"
      :class="{ middle: tick === 0 }"
      x1="110"
      x2="110"
      y1="26"
      y2="40"
      :transform="`rotate(${(tick / WIDEST) * DEGREES} 110 130)`"
    />
    <line
      v-if="cents !== null"
      class="needle"
      x1="110"
      x2="110"
      y1="96"
      y2="34"
      :transform="`rotate(${turn} 110 130)`"
    />
    <text class="name" x="110" y="122">{{ name ?? '–' }}</text>
    <text class="off" x="110" y="144">{{ words }}</text>
  </svg>
</template>

<style scoped>
.dial {
  width: 320px;
  max-width: 60vw;
}

.arc,
.tick,
.needle {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 2;
}

.tick.middle {
  stroke: var(--spruce);
  stroke-width: 5;
}

.needle {
  stroke: var(--brick);
  stroke-width: 4;
  stroke-linecap: round;
}

.name {
  fill: var(--ink);
  font-family: var(--heading);
  font-size: 26px;
  font-weight: 700;
  text-anchor: middle;
}

.off {
  fill: var(--ink-soft);
  font-size: 13px;
  text-anchor: middle;
}
</style>
