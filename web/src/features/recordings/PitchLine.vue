<script setup lang="ts">
import { computed, useTemplateRef } from 'vue';
import type { ListenedView } from '../../workers/listening.ts';
import { t } from './messages.ts';

/** What was played as a line over the notes that were asked for, with how loud it was; a press goes to that moment. */
const props = defineProps<{ view: ListenedView; at: number }>();
const emit = defineEmits<{ seek: [seconds: number] }>();

const WIDTH = 1000;
const HEIGHT = 240;
const LEVELS = 34;
const FAINTEST = -60;
/** A pause between two readings longer than this breaks the line. */
const BREAK_SECONDS = 0.03;

const bounds = computed(() => {
  const asked = props.view.asked.map(({ midi }) => midi);
  return { low: Math.min(...asked) - 3, high: Math.max(...asked) + 4 };
});
const x = (seconds: number): number => (seconds / Math.max(1, props.view.seconds)) * WIDTH;
function y(midi: number): number {
  const { low, high } = bounds.value;
  return Math.max(0, Math.min(1, (high - midi) / (high - low))) * (HEIGHT - LEVELS - 8);
}
const semitone = computed(() => (HEIGHT - LEVELS - 8) / (bounds.value.high - bounds.value.low));
const bars = computed(() =>
  props.view.asked.flatMap(({ from, to, midi, kind, id }, index) =>
    from === null || to === null
      ? []
      : [{ key: `${id} ${index}`, x: x(from), width: x(to - from), y: y(midi + 0.5), kind }],
  ),
);
const line = computed(() => {
  let last = -1;
  return props.view.curve
    .map(({ at, cents }) => {
      const move = last < 0 || at - last > BREAK_SECONDS ? 'M' : 'L';
      last = at;
      return `${move}${x(at).toFixed(1)} ${y(cents / 100).toFixed(1)}`;
    })
    .join('');
});
const levels = computed(() => {
  const points = props.view.curve.map(({ at, level }) => {
    const share = Math.max(0, (level - FAINTEST) / -FAINTEST);
    return `M${x(at).toFixed(1)} ${HEIGHT}V${(HEIGHT - share * LEVELS).toFixed(1)}`;
  });
  return points.join('');
});
const picture = useTemplateRef<SVGElement>('picture');
function press(event: MouseEvent): void {
  const box = picture.value?.getBoundingClientRect();
  if (box !== undefined) emit('seek', ((event.clientX - box.left) / box.width) * props.view.seconds);
}
</script>

<template>
  <svg
    ref="picture"
    class="pitch-line"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="t('pitch-line.the-pitch-played-over-the-notes')"
    @click="press"
  >
    <rect
      v-for="bar in bars"
      :key="bar.key"
      :class="`asked ${bar.kind}`"
      :x="bar.x"
      :y="bar.y"
      :width="bar.width"
      :height="semitone"
    />
    <line
      v-for="spot in view.spots"
      :key="spot"
      class="spot"
      :x1="x(spot)"
      :x2="x(spot)"
      y1="0"
      :y2="HEIGHT - LEVELS"
    />
    <path class="level" :d="levels" />
    <path class="played" :d="line" />
    <line class="at" :x1="x(at)" :x2="x(at)" y1="0" :y2="HEIGHT" />
  </svg>
  <BFormInput
    type="range"
    :aria-label="t('pitch-line.place-in-the-recording')"
    min="0"
    :max="view.seconds.toFixed(1)"
    step="0.1"
    :model-value="at.toFixed(1)"
    @update:model-value="emit('seek', Number($event))"
    @keydown.left.right.stop
  />
</template>

<style scoped lang="scss">
.pitch-line {
  width: 100%;
  height: 170px;
  border: 1.5px solid var(--line);
  background: var(--card);
  cursor: pointer;
}

.asked {
  fill: var(--stone);
}

.asked.wrong,
.asked.slurred {
  fill: var(--brass-soft);
  stroke: var(--brick);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.played,
.level,
.at,
.spot {
  fill: none;
  vector-effect: non-scaling-stroke;
}

.played {
  stroke: var(--spruce);
  stroke-width: 2.5;
}

.level {
  stroke: var(--line-strong);
  stroke-width: 1;
}

.at {
  stroke: var(--ink);
  stroke-width: 2;
}

.spot {
  stroke: var(--brick);
  stroke-width: 1.5;
  stroke-dasharray: 4 4;
}
</style>
