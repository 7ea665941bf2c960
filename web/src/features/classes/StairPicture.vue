<script setup lang="ts">
import type { LocalDate } from '@escalier/core/calendar';
import { computed, shallowRef, useId, useTemplateRef } from 'vue';
import IconMark from '~icons/bi/exclamation-triangle-fill';
import { RouterLink, type RouteLocationRaw } from 'vue-router';
import BeltBand from '../../ui/BeltBand.vue';
import { shortDate } from '../../ui/dates.ts';
import { useSize } from '../../ui/use-size.ts';
import type { Peg } from './pegs.ts';
import StairList from './StairList.vue';
import type { StairStep } from './stair-step.ts';
import { layOutStairs, type StairLayout } from './stair-layout.ts';
import { t } from './messages.ts';

/** A flight of stairs: riser is how much harder a step is, tread is the lessons given to it, pegs are pupils. */
const props = withDefaults(
  defineProps<{
    steps: readonly StairStep[];
    /** The pupils of each step, and behind the last step those who have passed them all. */
    pegs?: readonly (readonly Peg[])[];
    lessons: {
      readonly total: number;
      readonly had: number;
      readonly all: readonly { readonly date: LocalDate }[];
      /** How today's line is labelled; null for stairs that nobody climbs yet. */
      readonly now: string | null;
    };
    /** Where a peg leads. */
    hear?: (pupilId: string) => RouteLocationRaw;
    /** Index of the step that is chosen; left out where none can be. */
    chosen?: number | undefined;
  }>(),
  { pegs: () => [], hear: () => '/', chosen: undefined },
);
defineEmits<{ choose: [index: number] }>();
defineSlots<{ over?: (props: { layout: StairLayout }) => unknown }>();

const box = useTemplateRef<HTMLElement>('box');
const size = useSize(box, { width: window.innerWidth, height: 0 });
const width = computed(() => size.value.width);
const hatch = useId();
const NARROW = 620;
const isNarrow = computed(() => width.value < NARROW);

const layout = computed(() =>
  layOutStairs({
    width: Math.max(width.value, 320),
    height: Math.max(size.value.height, 320),
    steps: props.steps.map((step, index) => ({
      rise: step.rise.total,
      lessons: step.lessons,
      pegs: props.pegs[index]?.length ?? 0,
    })),
    landingPegs: props.pegs[props.steps.length]?.length ?? 0,
    lessons: props.lessons.total,
  }),
);

const outline = computed(() => {
  const { treads, landing, ground } = layout.value;
  const all = landing === null ? treads : [...treads, landing];
  const climb = all.map((tread) => `V${tread.top}H${tread.right}`).join('');
  return `M${all[0]?.left ?? 0} ${ground}${climb}`;
});
const stone = computed(() => `${outline.value}V${layout.value.ground}Z`);

/** A tick for each lesson, dates where there is room. */
const ticks = computed(() => {
  const { all } = props.lessons;
  const every = Math.max(1, Math.ceil(all.length / Math.max(3, Math.floor(width.value / 96))));
  return all.map((lesson, index) => ({
    x: layout.value.lessonX(index),
    label: index % every === 0 ? shortDate(lesson.date) : null,
  }));
});
const todayX = computed(() => layout.value.lessonX(props.lessons.had));
/** Below the legend, which takes two lines where there is little room. */
const todayY = computed(() => (width.value < 800 ? 84 : 62));
const todayOnLeft = computed(() => todayX.value > width.value * 0.7);
const termEndX = computed(() => layout.value.lessonX(props.lessons.total));
const isOverlong = computed(() => props.steps.reduce((sum, step) => sum + step.lessons, 0) > props.lessons.total);

/** A label leads somewhere, or chooses its step, or only says what it is. */
function labelOf(step: StairStep): string | typeof RouterLink {
  if (step.to !== undefined) return RouterLink;
  return props.chosen === undefined ? 'div' : 'button';
}

/** The peg whose name is shown: one bubble for all of them. */
const named = shallowRef<{ readonly at: HTMLElement; readonly name: string } | null>(null);
function showName({ currentTarget }: Event, name: string): void {
  named.value = { at: currentTarget as HTMLElement, name };
}

function pegStyle(step: number, place: number): Record<string, string> {
  const { pegs, pegSize } = layout.value;
  const { x, y } = pegs[step]![place]!;
  return {
    left: `${x - pegSize / 2}px`,
    top: `${y - pegSize / 2}px`,
    width: `${pegSize}px`,
    height: `${pegSize}px`,
  };
}
</script>

<template>
  <div ref="box" class="stair-picture" :class="{ narrow: isNarrow }">
    <ul class="plain legend" :aria-label="t('stair-picture.legend')">
      <template v-if="lessons.now !== null">
        <li><span class="peg working" aria-hidden="true" />{{ t('stair-picture.on-this-step') }}</li>
        <li><span class="peg nearly" aria-hidden="true" />{{ t('stair-picture.nearly-passed') }}</li>
        <li><span class="peg stuck" aria-hidden="true" />{{ t('stair-picture.stuck') }}</li>
      </template>
      <li v-if="!isNarrow" class="soft measures">{{ t('stair-picture.height-how-much-harder-the-step') }}</li>
    </ul>
    <StairList v-if="isNarrow" :steps="steps" :pegs="pegs" :hear="hear" />
    <template v-else-if="width > 0">
      <svg :width="width" :height="size.height" aria-hidden="true">
        <defs>
          <pattern :id="hatch" width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(-52)">
            <rect width="14" height="14" fill="var(--stone)" />
            <rect width="14" height="1.5" fill="var(--hatch)" />
          </pattern>
        </defs>
        <path :d="stone" :fill="`url(#${hatch})`" />
        <path :d="outline" fill="none" stroke="var(--ink)" stroke-width="3.5" stroke-linejoin="miter" />
        <g class="axis">
          <path :d="`M${layout.left} ${layout.ground}H${layout.right}`" />
          <path v-for="tick in ticks" :key="tick.x" :d="`M${tick.x} ${layout.ground}v${tick.label === null ? 5 : 9}`" />
        </g>
        <g class="dates">
          <template v-for="tick in ticks" :key="tick.x">
            <text v-if="tick.label !== null" :x="tick.x" :y="layout.ground + 26">{{ tick.label }}</text>
          </template>
        </g>
        <path v-if="isOverlong" class="term-end" :d="`M${termEndX} 76V${layout.ground}`" />
        <path v-if="lessons.now !== null" class="today" :d="`M${todayX} ${todayY - 10}V${layout.ground + 8}`" />
        <text
          v-if="lessons.now !== null"
          class="today-label"
          :x="todayX + (todayOnLeft ? -8 : 8)"
          :y="todayY"
          :text-anchor="todayOnLeft ? 'end' : 'start'"
        >
          {{ lessons.now }}
        </text>
      </svg>
      <ol class="plain steps">
        <li v-for="(step, index) in steps" :key="step.id">
          <div
            class="belt-place"
            :style="{
              left: `${layout.treads[index]!.left + 2}px`,
              top: `${layout.treads[index]!.top + 2}px`,
              width: `${layout.treads[index]!.right - layout.treads[index]!.left - 2}px`,
            }"
          >
            <BeltBand :belt-id="step.belt" />
          </div>
          <component
            :is="labelOf(step)"
            class="step-label"
            :class="{ chosen: chosen === index }"
            v-bind="step.to === undefined ? {} : { to: step.to }"
            :style="{
              left: `${layout.treads[index]!.left + 6}px`,
              top: `${layout.treads[index]!.top + 17}px`,
              width: `${layout.treads[index]!.right - layout.treads[index]!.left - 10}px`,
              maxHeight: `${layout.ground - layout.treads[index]!.top - 18}px`,
            }"
            @click="step.to === undefined && $emit('choose', index)"
          >
            <span class="step-title"
              ><IconMark v-if="step.mark === 'problem'" role="img" :aria-label="t('stair-picture.look-here')" />
              {{ step.position }} {{ step.title }}</span
            >
            <span class="chips d-flex flex-wrap gap-1 mt-1">
              <span v-for="thing in step.things.slice(0, 3)" :key="thing" class="chip">{{ thing }}</span>
            </span>
          </component>
          <ul class="plain" :aria-label="t('stair-picture.pupils-on-step-position', { position: step.position })">
            <li v-for="(peg, place) in pegs[index]" :key="peg.id">
              <RouterLink
                class="peg"
                :class="[peg.state, { part: peg.share > 0 }]"
                :to="hear(peg.id)"
                :aria-label="peg.words"
                :style="{ ...pegStyle(index, place), '--share': `${Math.round(100 * peg.share)}%` }"
                @mouseenter="showName($event, peg.name)"
                @focus="showName($event, peg.name)"
                @mouseleave="named = null"
                @blur="named = null"
                >{{ peg.label }}</RouterLink
              >
            </li>
          </ul>
        </li>
      </ol>
      <ul
        v-if="layout.landing !== null"
        class="plain"
        :aria-label="t('stair-picture.pupils-who-have-passed-every-step')"
      >
        <li v-for="(peg, place) in pegs[steps.length]" :key="peg.id">
          <span
            class="peg finished"
            role="img"
            :aria-label="peg.words"
            :style="pegStyle(steps.length, place)"
            @mouseenter="showName($event, peg.name)"
            @mouseleave="named = null"
            >{{ peg.label }}</span
          >
        </li>
      </ul>
      <slot name="over" :layout="layout" />
      <BTooltip v-if="named !== null" :key="named.name" :target="named.at" manual show no-fade>{{
        named.name
      }}</BTooltip>
    </template>
  </div>
</template>

<style scoped lang="scss">
.stair-picture {
  position: relative;
  height: 100%;
  min-height: 370px;
  overflow: hidden;
}

.stair-picture.narrow {
  height: auto;
  min-height: 0;
  padding: 12px 14px;
}

.stair-picture > svg {
  position: absolute;
  inset: 0;
}

.legend {
  position: absolute;
  inset: 12px 18px auto;
  z-index: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  font-size: var(--text-small);
}

.narrow .legend {
  position: static;
  margin-bottom: 10px;
}

.legend li {
  display: flex;
  align-items: center;
  gap: 6px;
}

.legend .peg {
  position: static;
  width: 18px;
  height: 18px;
}

.measures {
  margin-left: auto;
}

@media (max-width: 900px) {
  .measures {
    margin-left: 0;
  }
}

.axis path {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 1;
}

.dates text {
  fill: var(--ink-soft);
  font-size: var(--text-small);
}

.today {
  fill: none;
  stroke: var(--brick);
  stroke-width: 2;
  stroke-dasharray: 2 4;
}

.today-label {
  fill: var(--brick);
  font-size: var(--text-small);
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--card);
  stroke-width: 4px;
}

.term-end {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 8 4;
}

.belt-place,
.step-label,
.steps .peg,
.peg.finished {
  position: absolute;
}

.step-label {
  display: block;
  overflow: hidden;
  padding: 2px 4px;
  border-radius: var(--radius-small);
  color: var(--ink);
  text-decoration: none;
}

button.step-label {
  border: 0;
  background: none;
  text-align: left;
}

.step-label.chosen {
  background: var(--spruce-soft);
  box-shadow: inset 0 -4px 0 var(--spruce);
}

.step-title svg {
  color: var(--brick);
}

.step-label:hover .step-title {
  text-decoration: underline;
}

.step-title {
  display: -webkit-box;
  overflow: hidden;
  font-weight: 700;
  line-height: 1.2;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
  line-clamp: 3;
}

.chips .chip {
  padding: 0 6px;
  font-size: var(--text-small);
  line-height: 1.4;
}
</style>
