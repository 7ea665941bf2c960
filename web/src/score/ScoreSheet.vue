<script setup lang="ts">
import { usualLengths } from '@escalier/core/words';
import { findInstrument, type Naming } from '@escalier/core/instruments';
import { pitch, type Counting, type LengthWords, type Sayings } from '@escalier/core/music';
import type { NoteColours, NoteRow } from '@escalier/core/practice';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { afterPaint } from '../ui/after-paint.ts';
import { useSize } from '../ui/use-size.ts';
import { whenIdle } from '../ui/when-idle.ts';
import { tuneWorker } from '../workers/index.ts';
import FingerDots from './FingerDots.vue';
import PencilMarks from './PencilMarks.vue';
import { useDrawing } from './use-drawing.ts';
import { placeMarks, type PlacedMark, type ScoreMark } from './marks.ts';
import { t } from '../ui/messages.ts';

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
  /** Names and lengths by which the sheet is read aloud to who cannot see it. */
  namesAloud?: Naming | undefined;
  lengths?: LengthWords | undefined;
  colours?: NoteColours | null;
  chords?: boolean;
  /** The most notes on a line, for the back of a room; the lines of the tune where it is not given. */
  notesOnLine?: number | undefined;
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

const { drawn, pointDown, pointOver, pointUp, pointCancel } = useDrawing(
  () => props.pickable,
  (bar, note) => emit('pick', bar, note),
  (first, last) => emit('draw', first, last),
);

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
      props.notesOnLine,
      JSON.stringify([shownRows.value, props.counting ?? null, props.sayings ?? null, props.colours ?? null]),
    ] as const,
  async ([abc, instrumentId, roomBelow, plain, chords, notesOnLine]) => {
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
      ...(notesOnLine === undefined ? {} : { notesOnLine }),
    });
    if (mine !== asked) return;
    error.value = result.ok ? null : (result.error[0]?.message ?? t('score-sheet.the-tune-couldnt-be-read'));
    if (result.ok) svg.value = result.value.svg;
  },
  { immediate: true },
);

/** Under the picture, for screen readers alone; a picture that asks for a note's name does not give it away. */
const inWords = ref<readonly string[]>([]);
let reading = 0;
watch(
  [
    svg,
    () => props.abc,
    () => props.namesAloud ?? props.naming ?? 'letters',
    () => props.lengths ?? usualLengths(),
  ] as const,
  async ([drawnSheet, abc, naming, lengths]) => {
    const mine = ++reading;
    inWords.value = [];
    if (drawnSheet === null || props.plain === true) return;
    const words = await tuneWorker().inWords({ abc, instrumentId: props.instrumentId }, { naming, lengths });
    if (mine === reading) inWords.value = words;
  },
  { flush: 'post' },
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
    <p v-else-if="svg === null" class="soft" role="status">{{ t('score-sheet.loading-title', { title }) }}</p>
    <div v-else class="layers" :style="{ '--comma': `${Math.max(16, Math.min(46, size.width * 0.056))}px` }">
      <PencilMarks under :placed="placed" />
      <!-- The markup is Verovio's own output for a tune that the core has read. -->
      <!-- eslint-disable vue/no-v-html -->
      <div
        ref="host"
        class="engraving"
        :class="{ pickable }"
        role="img"
        :aria-label="t('score-sheet.the-tune-title-on-a-staff', { title })"
        @pointerdown="pointDown"
        @pointerover="pointOver"
        @pointerup="pointUp"
        @pointercancel="pointCancel"
        v-html="svg"
      />
      <!-- eslint-enable vue/no-v-html -->
      <ol v-if="inWords.length > 0" class="visually-hidden" :aria-label="t('score-sheet.title-in-words', { title })">
        <li v-for="(line, index) in inWords" :key="index">{{ line }}</li>
      </ol>
      <PencilMarks :placed="placed" />
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
