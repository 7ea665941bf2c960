<script setup lang="ts">
import { useId } from 'vue';
import type { PlacedMark } from './marks.ts';

/** A teacher's pencil over an engraved sheet: what lies under the notes, or what is drawn over them. */
defineProps<{ placed: readonly PlacedMark[]; under?: boolean }>();
/** A page may show many sheets. */
const id = useId();

/** Over the bars; closer on a small sheet, where the names under the line before are near. */
function bracketPath({ x, y, width, height }: PlacedMark): string {
  const rise = Math.round(Math.min(8, height / 9));
  return `M${x + 3} ${y - rise}v${-rise}h${width - 6}v${rise}`;
}
</script>

<template>
  <svg v-if="under" class="pencil" aria-hidden="true">
    <defs>
      <pattern :id="`${id}-lines`" width="9" height="9" patternUnits="userSpaceOnUse">
        <path class="hatching" d="M0 9 9 0" />
      </pattern>
      <pattern :id="`${id}-dots`" width="9" height="9" patternUnits="userSpaceOnUse">
        <circle class="hatching-dot" cx="4.5" cy="4.5" r="1.4" />
      </pattern>
    </defs>
    <template v-for="each in placed" :key="each.key">
      <g v-if="each.mark.kind === 'shade'">
        <rect
          :class="`shade shade-${each.mark.group % 4}`"
          :x="each.x - 2"
          :y="each.y - 8"
          :width="each.width + 2"
          :height="each.height + 14"
          rx="6"
        />
        <rect
          v-if="each.mark.group >= 4"
          class="hatch"
          :fill="`url(#${id}-${each.mark.group % 8 < 4 ? 'dots' : 'lines'})`"
          :x="each.x - 2"
          :y="each.y - 8"
          :width="each.width + 2"
          :height="each.height + 14"
          rx="6"
        />
        <text class="shade-letter" :x="each.x + each.width - 12" :y="each.y - 12">
          {{ String.fromCharCode(97 + (each.mark.group % 26)) }}
        </text>
      </g>
      <rect
        v-if="each.mark.kind === 'point'"
        class="point"
        :x="each.x - 4"
        :y="each.y - 10"
        :width="each.width + 6"
        :height="each.height + 18"
        rx="8"
      />
      <rect
        v-if="each.mark.kind === 'now'"
        class="now"
        :x="each.x - 7"
        :y="each.y - 40"
        :width="each.width + 14"
        :height="each.height + 80"
        rx="6"
      />
    </template>
  </svg>
  <svg v-else class="pencil" aria-hidden="true">
    <template v-for="each in placed" :key="each.key">
      <ellipse
        v-if="each.mark.kind === 'ring'"
        :cx="each.x + each.width / 2"
        :cy="each.y + each.height / 2"
        :rx="each.width / 2 + 5"
        :ry="each.height / 2 + 5"
      />
      <path
        v-if="each.mark.kind === 'bracket'"
        class="bracket"
        :class="{ own: each.mark.own }"
        :d="bracketPath(each)"
      />
      <g v-if="each.mark.kind === 'figure'" :class="`figure ${each.mark.look}`">
        <rect
          v-if="each.mark.look === 'circle'"
          :x="each.x - 5 - 4 * each.mark.depth"
          :y="each.y - 6 - 5 * each.mark.depth"
          :width="each.width + 10 + 8 * each.mark.depth"
          :height="each.height + 12 + 10 * each.mark.depth"
          rx="14"
        />
        <path v-else :d="`M${each.x} ${each.y - 14}h${each.width}`" />
        <text
          :x="each.mark.look === 'circle' ? each.x - 4 : each.x - 14"
          :y="each.mark.look === 'circle' ? each.y - 10 - 5 * each.mark.depth : each.y - 18"
        >
          {{ each.mark.letter }}
        </text>
      </g>
      <g v-if="each.mark.kind === 'fault'">
        <path class="fault" :d="`M${each.x + each.width / 2 - 7} ${each.y - 22}l14 14m0 -14l-14 14`" />
        <text v-if="each.mark.words !== ''" class="fault-words" :x="each.x + each.width / 2 + 11" :y="each.y - 11">
          {{ each.mark.words }}
        </text>
      </g>
      <g v-if="each.mark.kind === 'heard'" :class="`heard ${each.mark.how}`">
        <ellipse
          v-if="each.mark.how === 'wrong'"
          :cx="each.x + each.width / 2"
          :cy="each.y + each.height / 2"
          :rx="each.width / 2 + 6"
          :ry="each.height / 2 + 6"
        />
        <rect
          v-if="each.mark.how === 'missed'"
          :x="each.x - 6"
          :y="each.y - 6"
          :width="each.width + 12"
          :height="each.height + 12"
        />
        <path v-if="each.mark.how === 'slurred'" :d="`M${each.x - 8} ${each.y + each.height + 9}h${each.width + 16}`" />
        <path
          v-if="each.mark.how === 'extra'"
          class="small-note"
          :d="`M${each.x - 10} ${each.y - 12}v-16m0 16a4 3 0 1 1 -8 0a4 3 0 1 1 8 0`"
        />
        <path v-if="each.mark.how === 'stop'" :d="`M${each.x - 16} ${each.y - 14}l6 -16m2 16l6 -16`" />
        <text v-if="each.mark.words !== ''" :x="each.x + each.width / 2" :y="each.y - 26">{{ each.mark.words }}</text>
      </g>
      <text
        v-if="each.mark.kind === 'comma'"
        class="comma"
        :class="{ small: each.mark.small }"
        :x="each.x"
        :y="each.y + 8"
      >
        ,
      </text>
    </template>
  </svg>
</template>

<style scoped lang="scss">
.pencil {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
  pointer-events: none;
}

.pencil ellipse {
  fill: none;
  stroke: var(--spruce);
  stroke-width: 2.5;
}

.shade {
  stroke-width: 1;
}

.shade-0 {
  fill: var(--tint-0);
}

.shade-1 {
  fill: var(--tint-1);
}

.shade-2 {
  fill: var(--tint-2);
}

.shade-3 {
  fill: var(--tint-3);
}

.hatching {
  stroke: var(--ink-soft);
  stroke-width: 1;
}

.hatching-dot {
  fill: var(--ink-soft);
}

.figure rect,
.figure path,
.fault {
  fill: none;
  stroke-width: 2.5;
}

.figure {
  stroke: var(--spruce);
}

.figure.line {
  stroke: var(--brick);
}

.figure.dots {
  stroke: var(--ink);
  stroke-dasharray: 1 7;
  stroke-linecap: round;
}

.figure text,
.fault-words {
  fill: var(--ink);
  font-size: var(--text-small);
  font-weight: 700;
  stroke: none;
}

.fault {
  stroke: var(--brick);
}

.heard ellipse,
.heard rect,
.heard path {
  fill: none;
  stroke: var(--brick);
  stroke-width: 3;
}

.heard rect {
  stroke-dasharray: 4 4;
}

.heard .small-note {
  fill: var(--brick);
  stroke-width: 2;
}

.heard text {
  fill: var(--brick);
  font-size: var(--text-small);
  font-weight: 700;
  text-anchor: middle;
}

.shade-letter {
  fill: var(--ink-soft);
  font-size: var(--text-small);
  font-style: italic;
}

.point {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 7 4;
}

.now {
  fill: var(--brass-mid);
}

.bracket {
  fill: none;
  stroke: var(--brick);
  stroke-width: 2.5;
}

.bracket.own {
  stroke: var(--spruce);
}

.comma {
  fill: var(--ink);
  font-family: var(--heading);
  font-size: var(--comma);
  font-weight: 700;
  text-anchor: middle;
}

.comma.small {
  font-size: calc(0.78 * var(--comma));
}
</style>
