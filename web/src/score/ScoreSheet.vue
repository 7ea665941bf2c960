<script setup lang="ts">
import { findInstrument, type Naming } from '@escalier/core/instruments';
import { pitch, type Counting, type Sayings } from '@escalier/core/music';
import type { NoteColours, NoteRow } from '@escalier/core/practice';
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
  /** One row of names under the notes; null leaves the words of the tune there. */
  naming?: Naming | null;
  noWords?: boolean;
  /** What stands under the notes instead, from the top; none leaves room for nothing. */
  rows?: readonly NoteRow[] | null;
  /** Notes on a staff and nothing else. */
  plain?: boolean;
  counting?: Counting | null;
  sayings?: Sayings;
  colours?: NoteColours | null;
  chords?: boolean;
  marks: readonly ScoreMark[];
  /** Notes that can be pressed, with what pressing means, for marking breaths by hand. */
  presses?: readonly { readonly id: string; readonly label: string; readonly on: boolean }[];
  /** Bars and notes can be pointed at: pressed, or several bars drawn over. */
  pickable?: boolean;
}>();
const emit = defineEmits<{
  press: [id: string];
  /** The id of a bar, and of the note in it that was pressed, if it was one. */
  pick: [bar: string, note: string | null];
  /** Ids of the first and the last bar that were drawn over. */
  draw: [first: string, last: string];
}>();

const shownRows = computed((): readonly NoteRow[] | null => {
  if (props.rows !== undefined && props.rows !== null) return props.rows;
  const naming = props.naming ?? null;
  const counted = (props.counting ?? null) !== null;
  if (naming === null && !counted && props.noWords !== true) return null;
  return [
    ...(naming === null ? [] : [{ kind: naming, fill: 'full' } as const]),
    ...(counted ? [{ kind: 'counting', fill: 'full' } as const] : []),
  ];
});

/** Where the finger went down, until it is lifted. */
let downAt: string | null = null;
const drawn = ref<readonly [string, string] | null>(null);

function barUnder({ target }: Event): string | null {
  return target instanceof Element ? (target.closest('.measure')?.id ?? null) : null;
}

function pointDown(event: PointerEvent): void {
  if (!props.pickable || event.button !== 0) return;
  downAt = barUnder(event);
}

function pointOver(event: PointerEvent): void {
  const bar = downAt === null ? null : barUnder(event);
  if (downAt !== null && bar !== null && (drawn.value !== null || bar !== downAt)) drawn.value = [downAt, bar];
}

function pointUp(event: PointerEvent): void {
  if (downAt === null) return;
  const bar = barUnder(event);
  if (drawn.value !== null) emit('draw', ...drawn.value);
  else if (bar !== null && event.target instanceof Element)
    emit('pick', bar, event.target.closest('.note')?.id ?? null);
  downAt = null;
  drawn.value = null;
}

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
      withCharts.value,
      props.plain,
      props.chords,
      JSON.stringify([shownRows.value, props.counting ?? null, props.sayings ?? null, props.colours ?? null]),
    ] as const,
  async ([abc, instrumentId, roomBelow, plain, chords]) => {
    const mine = ++asked;
    // The names and buttons of the page come first; the sheet is a moment later.
    await whenIdle();
    if (mine !== asked) return;
    const result = await tuneWorker().engrave({
      abc,
      instrumentId,
      // What is watched is no plain data, and cannot be sent.
      rows: shownRows.value?.map(({ kind, fill }) => ({ kind, fill })) ?? null,
      counting: props.counting ?? null,
      ...(props.sayings === undefined ? {} : { sayings: { ...props.sayings } }),
      colours: props.colours === undefined || props.colours === null ? null : { ...props.colours },
      roomBelow,
      plain,
      chords,
    });
    if (mine !== asked) return;
    error.value = result.ok ? null : (result.error[0]?.message ?? 'The tune could not be read.');
    if (result.ok) svg.value = result.value.svg;
  },
  { immediate: true },
);

const allMarks = computed((): readonly ScoreMark[] => {
  if (drawn.value === null) return props.marks;
  const [from, to] = drawn.value;
  return [...props.marks, { kind: 'bracket', from, to, own: true }];
});

function placeAll(): void {
  if (host.value === null) return;
  placed.value = placeMarks(host.value, allMarks.value);
  buttons.value = placeMarks(host.value, props.presses?.map(({ id }) => ({ kind: 'now', id })) ?? []);
}
watch([size, allMarks, () => props.presses], placeAll, { flush: 'post' });
// A new sheet is measured when the browser has laid it out by itself: asked at once, it would do so twice.
watch(svg, () => afterPaint(placeAll));
</script>

<template>
  <div class="sheet">
    <p v-if="error !== null" role="alert">{{ error }}</p>
    <p v-else-if="svg === null" class="soft" role="status">Engraving “{{ title }}” …</p>
    <div v-else class="layers" :style="{ '--comma': `${Math.max(16, Math.min(46, size.width * 0.056))}px` }">
      <svg class="pencil under" aria-hidden="true">
        <defs>
          <pattern id="hatch-lines" width="9" height="9" patternUnits="userSpaceOnUse">
            <path class="hatching" d="M0 9 9 0" />
          </pattern>
          <pattern id="hatch-dots" width="9" height="9" patternUnits="userSpaceOnUse">
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
              :fill="`url(#hatch-${each.mark.group % 8 < 4 ? 'dots' : 'lines'})`"
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
      <div
        ref="host"
        class="engraving"
        :class="{ pickable }"
        role="img"
        :aria-label="`The tune ${title} on a staff`"
        @pointerdown="pointDown"
        @pointerover="pointOver"
        @pointerup="pointUp"
        @pointercancel="downAt = null"
        v-html="svg"
      />
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
            :class="{ own: each.mark.own }"
            :d="`M${each.x + 3} ${each.y - 8}v-8h${each.width - 6}v8`"
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
            <text :x="each.x - 4" :y="each.mark.look === 'circle' ? each.y - 10 - 5 * each.mark.depth : each.y - 18">
              {{ each.mark.letter }}
            </text>
          </g>
          <g v-if="each.mark.kind === 'fault'">
            <path class="fault" :d="`M${each.x + each.width / 2 - 7} ${each.y - 22}l14 14m0 -14l-14 14`" />
            <text v-if="each.mark.words !== ''" class="fault-words" :x="each.x + each.width / 2 + 11" :y="each.y - 11">
              {{ each.mark.words }}
            </text>
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
        @click="emit('press', each.mark.kind === 'now' ? each.mark.id : '')"
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

// A finger that draws over bars does not scroll the page.
.pickable :deep(.measure) {
  cursor: pointer;
  touch-action: pan-y;
  pointer-events: bounding-box;
}

.pickable {
  user-select: none;
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
