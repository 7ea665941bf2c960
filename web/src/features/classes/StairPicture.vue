<script setup lang="ts">
import type { ClassPage } from '@escalier/server/api';
import { useElementSize } from '@vueuse/core';
import { computed, useId, useTemplateRef } from 'vue';
import { RouterLink } from 'vue-router';
import BeltBand from '../../ui/BeltBand.vue';
import { layOutStairs } from './stair-layout.ts';
import { pegsOf } from './pegs.ts';
import { newThings, shortDate } from './words.ts';

/** The class on its stairs: riser is how much harder a step is, tread is the lessons given to it. */
const props = defineProps<{ page: ClassPage }>();

const box = useTemplateRef<HTMLElement>('box');
const { width, height } = useElementSize(box);
const hatch = useId();

const groups = computed(() => pegsOf(props.page));
const layout = computed(() =>
  layOutStairs({
    width: Math.max(width.value, 320),
    height: Math.max(height.value, 320),
    steps: props.page.steps.map((step, index) => ({
      rise: step.rise.total,
      lessons: step.lessons,
      pegs: groups.value[index]?.length ?? 0,
    })),
    landingPegs: groups.value[props.page.steps.length]?.length ?? 0,
    lessons: props.page.lessons.total,
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
  const { all } = props.page.lessons;
  const every = Math.max(1, Math.ceil(all.length / Math.max(3, Math.floor(width.value / 96))));
  return all.map((lesson, index) => ({
    x: layout.value.lessonX(index),
    label: index % every === 0 ? shortDate(lesson.date) : null,
  }));
});
const todayX = computed(() => layout.value.lessonX(props.page.lessons.had));
const todayLabel = computed(() => {
  const { next, total } = props.page.lessons;
  if (next === null) return `term over, ${total} lessons`;
  return next.date === props.page.today ? `today, lesson ${next.number}` : `now, before lesson ${next.number}`;
});
/** Below the legend, which takes two lines where there is little room. */
const todayY = computed(() => (width.value < 800 ? 84 : 62));
const todayOnLeft = computed(() => todayX.value > width.value * 0.7);
const termEndX = computed(() => layout.value.lessonX(props.page.lessons.total));
const overlong = computed(
  () => props.page.steps.reduce((sum, step) => sum + step.lessons, 0) > props.page.lessons.total,
);
</script>

<template>
  <div ref="box" class="stair-picture">
    <ul class="legend" aria-label="Legend">
      <li><span class="peg working" aria-hidden="true" />on this step</li>
      <li><span class="peg nearly" aria-hidden="true" />nearly passed</li>
      <li><span class="peg stuck" aria-hidden="true" />stuck</li>
      <li class="soft measures">height of a step: how much harder it is · depth: lessons given to it</li>
    </ul>
    <svg v-if="width > 0" :width="width" :height="height" aria-hidden="true">
      <defs>
        <pattern :id="hatch" width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(-52)">
          <rect width="14" height="14" fill="var(--stone)" />
          <rect width="14" height="1.5" fill="#d8cab0" />
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
      <path v-if="overlong" class="term-end" :d="`M${termEndX} 76V${layout.ground}`" />
      <path class="today" :d="`M${todayX} ${todayY - 10}V${layout.ground + 8}`" />
      <text
        class="today-label"
        :x="todayX + (todayOnLeft ? -8 : 8)"
        :y="todayY"
        :text-anchor="todayOnLeft ? 'end' : 'start'"
      >
        {{ todayLabel }}
      </text>
    </svg>
    <ol v-if="width > 0" class="steps">
      <li v-for="(step, index) in page.steps" :key="step.id">
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
        <RouterLink
          class="step-label"
          :to="{ name: 'step', params: { classId: page.id, position: step.position } }"
          :style="{
            left: `${layout.treads[index]!.left + 6}px`,
            top: `${layout.treads[index]!.top + 17}px`,
            width: `${layout.treads[index]!.right - layout.treads[index]!.left - 10}px`,
            maxHeight: `${layout.ground - layout.treads[index]!.top - 18}px`,
          }"
        >
          <span class="step-title">{{ step.position }} {{ step.title }}</span>
          <span class="chips">
            <span v-for="thing in newThings(step, page.style.lengthWords).slice(0, 3)" :key="thing" class="chip">{{
              thing
            }}</span>
          </span>
        </RouterLink>
        <ul class="pegs" :aria-label="`Pupils on step ${step.position}`">
          <li v-for="(peg, place) in groups[index]" :key="peg.id">
            <RouterLink
              class="peg"
              :class="peg.state"
              :to="{ name: 'hear', params: { classId: page.id, pupilId: peg.id } }"
              :aria-label="peg.words"
              :data-name="peg.name"
              :style="{
                left: `${layout.pegs[index]![place]!.x - layout.pegSize / 2}px`,
                top: `${layout.pegs[index]![place]!.y - layout.pegSize / 2}px`,
                width: `${layout.pegSize}px`,
                height: `${layout.pegSize}px`,
              }"
            >
              {{ peg.label }}
            </RouterLink>
          </li>
        </ul>
      </li>
    </ol>
    <ul v-if="layout.landing !== null" class="pegs" aria-label="Pupils who have passed every step">
      <li v-for="(peg, place) in groups[page.steps.length]" :key="peg.id">
        <span
          class="peg finished"
          role="img"
          :aria-label="peg.words"
          :data-name="peg.name"
          :style="{
            left: `${layout.pegs[page.steps.length]![place]!.x - layout.pegSize / 2}px`,
            top: `${layout.pegs[page.steps.length]![place]!.y - layout.pegSize / 2}px`,
            width: `${layout.pegSize}px`,
            height: `${layout.pegSize}px`,
          }"
        >
          {{ peg.label }}
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped lang="scss">
.stair-picture {
  position: relative;
  height: 100%;
  min-height: 380px;
  overflow: hidden;
}

svg {
  position: absolute;
  inset: 0;
}

ol,
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.legend {
  position: absolute;
  inset: 12px 18px auto;
  z-index: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  font-size: 14px;
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
  font-size: 13px;
}

.today {
  fill: none;
  stroke: var(--brick);
  stroke-width: 2;
  stroke-dasharray: 2 4;
}

.today-label {
  fill: var(--brick);
  font-size: 14px;
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
.step-label {
  position: absolute;
}

.step-label {
  display: block;
  overflow: hidden;
  padding: 2px 4px;
  border-radius: 6px;
  color: var(--ink);
  text-decoration: none;
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

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  margin-top: 4px;
}

.chips .chip {
  padding: 0 6px;
  font-size: 13px;
  line-height: 1.45;
}

.peg {
  position: absolute;
  display: grid;
  place-items: center;
  border: 2px solid var(--spruce);
  border-radius: 50%;
  background: var(--spruce);
  color: #fff;
  font-size: 12px;
  font-weight: 700;
  line-height: 1;
  text-decoration: none;
  transition:
    left var(--quick),
    top var(--quick);
}

.peg.nearly {
  border: 3px solid var(--brass);
  background: var(--brass-soft);
  color: var(--ink);
}

.peg.stuck {
  border: 3px dotted var(--brick);
  background: var(--card);
  color: var(--ink);
}

.peg.finished {
  border-radius: 8px;
  background: var(--ink);
  border-color: var(--ink);
}

.steps .peg:hover::after,
.steps .peg:focus-visible::after {
  content: attr(data-name);
  position: absolute;
  bottom: calc(100% + 4px);
  left: 50%;
  z-index: 3;
  padding: 3px 9px;
  border-radius: 7px;
  background: var(--ink);
  color: #fff;
  font-size: 14px;
  white-space: nowrap;
  translate: -50% 0;
}
</style>
