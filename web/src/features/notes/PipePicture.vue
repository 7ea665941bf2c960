<script setup lang="ts">
import { fingeringWords, type Fingering, type Instrument } from '@escalier/core/instruments';
import { computed } from 'vue';
import { changesInWords, PIPE_WIDTH, pipeShape, type PipeHole, type PipeView } from './pipe-shape.ts';
import { t } from './messages.ts';

/** The instrument large enough for the back of the room, with the fingers on it; those that moved are marked. */
const props = defineProps<{
  on: Instrument;
  fingering: Fingering;
  /** The fingering before, to mark what changes. */
  from?: Fingering | null;
  view: PipeView;
  label: string;
  /** Writes which hand is which beside the fingers, with the mark of the left one. */
  handMark?: string;
}>();

const shape = computed(() => pipeShape(props.on, props.fingering, props.from ?? null, props.view));
const words = computed(() => {
  const changes = changesInWords(shape.value);
  return `${props.label}: ${fingeringWords(props.on, props.fingering)}${changes === '' ? '' : t('pipe-picture.changes-changes', { changes })}`;
});

const LIFTED = 30;

/** A thumb comes from nearer by. */
function fingerLength(hole: PipeHole): number {
  return hole.finger === 'thumb' ? 56 : 88;
}

/** A finger lies over its hole, or stands back from it. */
function fingerStyle(hole: PipeHole): Record<string, string> {
  const away = hole.state === 'open' ? LIFTED : hole.state === 'half' ? 7 : 0;
  return { transform: `translateX(${hole.side * away}px)` };
}

const leftSide = computed(() => (props.view === 'pupil' ? -1 : 1));
const under = (hand: 'left' | 'right'): number =>
  Math.max(...shape.value.holes.filter((hole) => hole.hand === hand).map((hole) => hole.y)) + 44;
const leftHand = computed(() => under('left'));
const rightHand = computed(() => under('right'));

/** Where words at one side of the picture begin or end. */
function edge(side: number): number {
  return side < 0 ? 6 : PIPE_WIDTH - 2;
}

function anchor(side: number): 'start' | 'end' {
  return side < 0 ? 'start' : 'end';
}

function badgeX(hole: PipeHole): number {
  return hole.x - hole.side * (hole.finger === 'thumb' ? 40 : 46);
}
</script>

<template>
  <svg class="pipe" :viewBox="`0 0 ${PIPE_WIDTH} ${shape.height}`" role="img" :aria-label="words">
    <g class="tube">
      <rect
        :x="shape.front - shape.halfWidth"
        y="52"
        :width="2 * shape.halfWidth"
        :height="shape.height - 60"
        :rx="on.family === 'recorder' ? 16 : 6"
      />
      <path v-if="on.family === 'recorder'" :d="`M${shape.front - 15} 54v-34q15 -16 30 0v34z`" />
      <rect v-else :x="shape.front - 24" y="12" width="48" height="46" rx="9" />
      <rect class="window" :x="shape.front - 10" y="66" width="20" height="16" rx="2" />
      <path
        v-if="on.family === 'recorder'"
        class="joint"
        :d="`M${shape.front - shape.halfWidth - 4} 96h${2 * shape.halfWidth + 8}M${shape.front - shape.halfWidth - 4} ${shape.height - 66}h${2 * shape.halfWidth + 8}`"
      />
      <rect v-if="shape.back !== null" :x="shape.back - 24" y="52" width="48" height="150" rx="12" />
    </g>
    <text v-if="shape.back !== null" class="small" :x="shape.back" y="38" text-anchor="middle">
      {{ t('pipe-picture.back') }}
    </text>
    <path class="between" :d="`M${shape.front - 62} ${shape.middle}h124`" />
    <template v-if="handMark !== undefined">
      <text class="hand" :x="edge(leftSide)" :y="leftHand" :text-anchor="anchor(leftSide)">
        {{ t('pipe-picture.left-hand') }}
      </text>
      <text class="hand" :x="edge(leftSide)" :y="leftHand + 20" :text-anchor="anchor(leftSide)">{{ handMark }}</text>
      <text class="hand" :x="edge(-leftSide)" :y="rightHand" :text-anchor="anchor(-leftSide)">
        {{ t('pipe-picture.right-hand') }}
      </text>
    </template>
    <g v-for="hole in shape.holes" :key="hole.name">
      <g class="finger-place" :style="fingerStyle(hole)">
        <path
          class="finger"
          :class="[hole.does, hole.state]"
          :d="`M${hole.x + hole.side * fingerLength(hole)} ${hole.y - 15}H${hole.x}a16 16 0 0 ${hole.side < 0 ? 1 : 0} 0 30H${hole.x + hole.side * fingerLength(hole)}`"
        />
      </g>
      <template v-for="(ring, index) in hole.rings" :key="index">
        <circle class="hole" :class="ring.state" :cx="ring.x" :cy="hole.y" :r="ring.r" />
        <path
          v-if="ring.state === 'half'"
          class="hole closed"
          :d="`M${ring.x} ${hole.y - ring.r}a${ring.r} ${ring.r} 0 0 ${hole.side < 0 ? 0 : 1} 0 ${2 * ring.r}z`"
        />
      </template>
      <text class="small" :x="hole.x + hole.side * (fingerLength(hole) - 12)" :y="hole.y + 5" text-anchor="middle">
        {{ hole.name }}
      </text>
      <g v-if="hole.does !== 'stays'" class="badge" :class="hole.does">
        <circle :cx="badgeX(hole)" :cy="hole.y" r="13" />
        <path
          :d="`M${badgeX(hole) - 6} ${hole.y}h12${hole.does === 'lands' ? `M${badgeX(hole)} ${hole.y - 6}v12` : ''}`"
        />
      </g>
    </g>
  </svg>
</template>

<style scoped lang="scss">
.pipe {
  display: block;
  width: 100%;
  height: 100%;
  max-height: 100%;
}

.tube > * {
  fill: var(--wood);
  stroke: var(--line-strong);
  stroke-width: 2;
}

.tube .window {
  fill: var(--ink);
}

.joint {
  fill: none;
  stroke-width: 4;
}

.between {
  stroke: var(--line-strong);
  stroke-width: 1.5;
  stroke-dasharray: 3 4;
}

.finger-place {
  transition: transform var(--quick) ease-out;
}

.finger {
  fill: var(--stone);
  stroke: var(--line-strong);
  stroke-width: 2;
}

.finger.open {
  fill: none;
  stroke-dasharray: 4 4;
}

.finger.lands,
.finger.shades {
  fill: var(--brass-soft);
  stroke: var(--brass);
  stroke-width: 3.5;
}

.finger.lifts {
  stroke: var(--brick);
  stroke-width: 3;
}

.hole {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 3;
}

.hole.closed {
  fill: var(--ink);
}

.small {
  fill: var(--ink-soft);
  font-size: var(--text-small);
}

.hand {
  fill: var(--ink);
  font-size: var(--text-large);
  font-weight: 700;
}

.badge circle {
  fill: var(--brass-deep);
}

.badge.lifts circle {
  fill: var(--brick);
}

.badge path {
  fill: none;
  stroke: var(--white);
  stroke-width: 3;
}
</style>
