<script setup lang="ts">
import { computed } from 'vue';
import type { PoseId } from '../stage.ts';

/** Somebody who sits tall, from the side, with the instrument where it belongs: the hand with the mark is the upper one. */
const props = defineProps<{ pose: PoseId; label: string }>();

interface Drawing {
  /** The instrument from its mouthpiece to its foot. */
  readonly pipe: readonly [x1: number, y1: number, x2: number, y2: number];
  /** Where the elbows are. */
  readonly elbows: readonly [readonly [number, number], readonly [number, number]];
}

const DRAWINGS: Readonly<Record<PoseId, Drawing>> = {
  playing: {
    pipe: [112, 62, 166, 116],
    elbows: [
      [106, 122],
      [114, 134],
    ],
  },
  chin: {
    pipe: [109, 76, 163, 130],
    elbows: [
      [104, 130],
      [112, 142],
    ],
  },
  shoulder: {
    pipe: [76, 64, 130, 126],
    elbows: [
      [116, 132],
      [108, 146],
    ],
  },
  knee: {
    pipe: [134, 80, 134, 148],
    elbows: [
      [100, 128],
      [106, 140],
    ],
  },
};
const SHOULDER = [88, 88] as const;
/** Where along the instrument the hands are. */
const HANDS = [0.34, 0.68] as const;

const drawing = computed(() => DRAWINGS[props.pose]);
const hands = computed(() => {
  const [x1, y1, x2, y2] = drawing.value.pipe;
  return HANDS.map((share) => [x1 + (x2 - x1) * share, y1 + (y2 - y1) * share] as const);
});
const arm = (index: 0 | 1): string =>
  [SHOULDER, drawing.value.elbows[index], hands.value[index]!].map((point) => point.join(',')).join(' ');
</script>

<template>
  <svg viewBox="40 16 150 200" role="img" :aria-label="label">
    <g class="seat">
      <path d="M62 104V206M62 160H132V206" />
    </g>
    <g class="body">
      <circle cx="92" cy="50" r="22" />
      <path class="line" d="M113 48l7 8h-7" />
      <path class="line" d="M88 72L84 152H152V206H172" />
    </g>
    <polyline class="line arm" :points="arm(1)" />
    <line class="pipe" :x1="drawing.pipe[0]" :y1="drawing.pipe[1]" :x2="drawing.pipe[2]" :y2="drawing.pipe[3]" />
    <polyline class="line arm" :points="arm(0)" />
    <circle class="hand" :cx="hands[1]![0]" :cy="hands[1]![1]" r="6" />
    <circle class="hand upper" :cx="hands[0]![0]" :cy="hands[0]![1]" r="8" />
    <circle class="mark" :cx="hands[0]![0]" :cy="hands[0]![1]" r="3" />
  </svg>
</template>

<style scoped lang="scss">
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
  fill: none;
  stroke: var(--ink);
  stroke-linecap: round;
  stroke-linejoin: round;
  stroke-width: 5;
}

.seat {
  stroke: var(--line-strong);
  stroke-width: 4;
}

.pipe {
  stroke: var(--spruce);
  stroke-width: 9;
}

.hand {
  fill: var(--card);
  stroke-width: 4;
}

.upper {
  fill: var(--spruce);
}

.mark {
  fill: var(--card);
  stroke: none;
}
</style>
