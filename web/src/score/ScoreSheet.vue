<script setup lang="ts">
import { findInstrument, type Naming } from '@escalier/core/instruments';
import { pitch, type Counting } from '@escalier/core/music';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { afterPaint } from '../ui/after-paint.ts';
import { useSize } from '../ui/use-size.ts';
import { whenIdle } from '../ui/when-idle.ts';
import { tuneWorker } from '../workers/index.ts';
import FingerDots from './FingerDots.vue';
import { placeMarks, type PlacedMark, type ScoreMark } from './marks.ts';

/** An engraved tune with a teacher's pencil marks over it. */
const props = defineProps<{
  abc: string;
  title: string;
  instrumentId: string;
  /** Null leaves the words of the tune under the notes. */
  naming: Naming | null;
  noWords?: boolean;
  /** Notes on a staff and nothing else. */
  plain?: boolean;
  counting?: Counting | null;
  chords?: boolean;
  marks: readonly ScoreMark[];
  /** Notes that can be pressed, with what pressing means, for marking breaths by hand. */
  presses?: readonly { readonly id: string; readonly label: string; readonly on: boolean }[];
}>();
defineEmits<{ press: [id: string] }>();

const svg = ref<string | null>(null);
const error = ref<string | null>(null);
const placed = ref<readonly PlacedMark[]>([]);
const buttons = ref<readonly PlacedMark[]>([]);
const host = useTemplateRef<HTMLElement>('host');
const size = useSize(host, { width: 0, height: 0 });
const on = computed(() => findInstrument(props.instrumentId));
const withCharts = computed(() => props.marks.some((mark) => mark.kind === 'chart'));
let asked = 0;

watch(
  () =>
    [
      props.abc,
      props.instrumentId,
      props.naming,
      withCharts.value,
      props.noWords,
      props.counting ?? null,
      props.plain,
      props.chords,
    ] as const,
  async ([abc, instrumentId, naming, roomBelow, noWords, counting, plain, chords]) => {
    const mine = ++asked;
    // The names and buttons of the page come first; the sheet is a moment later.
    await whenIdle();
    if (mine !== asked) return;
    const result = await tuneWorker().engrave({
      abc,
      instrumentId,
      naming,
      roomBelow,
      noWords,
      counting,
      plain,
      chords,
    });
    if (mine !== asked) return;
    error.value = result.ok ? null : (result.error[0]?.message ?? 'The tune could not be read.');
    if (result.ok) svg.value = result.value.svg;
  },
  { immediate: true },
);

function placeAll(): void {
  if (host.value === null) return;
  placed.value = placeMarks(host.value, props.marks);
  buttons.value = placeMarks(host.value, props.presses?.map(({ id }) => ({ kind: 'now', id })) ?? []);
}
watch([size, () => props.marks, () => props.presses], placeAll, { flush: 'post' });
// A new sheet is measured when the browser has laid it out by itself: asked at once, it would do so twice.
watch(svg, () => afterPaint(placeAll));
</script>

<template>
  <div class="sheet">
    <p v-if="error !== null" role="alert">{{ error }}</p>
    <p v-else-if="svg === null" class="soft" role="status">Engraving “{{ title }}” …</p>
    <div v-else class="layers" :style="{ '--comma': `${Math.max(16, Math.min(46, size.width * 0.056))}px` }">
      <svg class="pencil under" aria-hidden="true">
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
      <!-- The markup is Verovio's own output for a tune that the core has read. -->
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div ref="host" class="engraving" role="img" :aria-label="`The tune ${title} on a staff`" v-html="svg" />
      <svg class="pencil" aria-hidden="true">
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
            :d="`M${each.x + 3} ${each.y - 8}v-8h${each.width - 6}v8`"
          />
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
      <template v-if="on !== null">
        <div
          v-for="each in placed.filter((one) => one.mark.kind === 'chart')"
          :key="each.key"
          class="chart"
          :style="{ left: `${each.x}px`, top: `${each.y}px` }"
        >
          <FingerDots v-if="each.mark.kind === 'chart'" :on="on" :pitch="pitch(each.mark.pitch)" />
        </div>
      </template>
      <button
        v-for="(each, index) in buttons"
        :key="each.key"
        class="press"
        type="button"
        :aria-label="presses?.[index]?.label"
        :aria-pressed="presses?.[index]?.on"
        :style="{
          left: `${each.x - 10}px`,
          top: `${each.y - 16}px`,
          width: `${each.width + 20}px`,
          height: `${each.height + 32}px`,
        }"
        @click="$emit('press', each.mark.kind === 'now' ? each.mark.id : '')"
      />
    </div>
  </div>
</template>

<style scoped lang="scss">
.layers {
  position: relative;
}

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

.chart {
  position: absolute;
  translate: -50% 0;
}

.press {
  position: absolute;
  border: 1.5px dashed var(--line-strong);
  border-radius: var(--radius);
  background: none;
}

.press[aria-pressed='true'] {
  border: 2px solid var(--ink);
}

.engraving {
  position: relative;
}

.engraving :deep(svg) {
  display: block;
  width: 100%;
  height: auto;
  color: var(--ink);
}

// Verovio's own rules, which its style element would bring.
.engraving :deep(.page-margin) {
  font-family: var(--reading);
}

.engraving :deep(path) {
  stroke: currentcolor;
}

.engraving :deep(.ending),
.engraving :deep(.fing),
.engraving :deep(.tempo) {
  font-weight: 700;
}

.engraving :deep(.dir),
.engraving :deep(.dynam) {
  font-style: italic;
}

.engraving :deep(.verse text) {
  font-family: var(--reading);
  font-weight: 700;
}
</style>
