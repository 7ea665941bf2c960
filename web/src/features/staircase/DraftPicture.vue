<script setup lang="ts">
import type { Finding, StepNews } from '@escalier/core/staircase';
import { computed, ref, shallowRef } from 'vue';
import { noteWords } from '../../ui/note-words.ts';
import { StairPicture, type StairLayout } from '../classes/index.ts';
import { MOST_STEP_LESSONS } from '@escalier/contract/staircases';
import type { DraftStep } from './draft.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** The stairs to scale. The far edge of a tread can be dragged, or moved by arrow keys, to give the step more lessons. */
const props = defineProps<{
  steps: readonly DraftStep[];
  news: readonly StepNews[];
  findings: readonly Finding[];
  /** Left out for a picture to look at: nothing can be chosen or dragged. */
  chosen?: number;
}>();
const emit = defineEmits<{ choose: [index: number]; lessons: [index: number, count: number] }>();

/** The tread whose edge is held, and the lessons it would have. */
const held = shallowRef<{ readonly index: number; readonly lessons: number } | null>(null);
const lessonsOf = (index: number): number =>
  held.value?.index === index ? held.value.lessons : props.steps[index]!.lessons;
const total = computed(() => props.steps.reduce((sum, _, index) => sum + lessonsOf(index), 0));

const shown = computed(() =>
  props.steps.map((step, index) => ({
    id: step.key,
    position: index + 1,
    title: step.tunes[0]!.title,
    belt: step.belt,
    lessons: lessonsOf(index),
    rise: { total: props.news[index]?.rise.total ?? 3 },
    things: (props.news[index]?.notes ?? []).map((note) => noteWords(note.name)),
    mark: props.findings.some((finding) => finding.step === index + 1 && finding.weight === 'problem')
      ? ('problem' as const)
      : null,
  })),
);
/** The stairs keep their scale while an edge is held. */
const span = ref(0);

function hold(event: PointerEvent, index: number, { lessonX }: StairLayout): void {
  const handle = event.currentTarget as HTMLElement;
  handle.setPointerCapture(event.pointerId);
  const from = event.clientX;
  const before = props.steps[index]!.lessons;
  const width = lessonX(1) - lessonX(0);
  span.value = total.value;
  const drag = (moved: PointerEvent): void => {
    const lessons = Math.min(MOST_STEP_LESSONS, Math.max(1, before + Math.round((moved.clientX - from) / width)));
    held.value = { index, lessons };
  };
  handle.addEventListener('pointermove', drag);
  const letGo = (): void => {
    handle.removeEventListener('pointermove', drag);
    const { lessons } = held.value ?? { lessons: before };
    held.value = null;
    span.value = 0;
    if (lessons !== before) emit('lessons', index, lessons);
  };
  handle.addEventListener('lostpointercapture', letGo, { once: true });
}
</script>

<template>
  <section class="card-paper picture" :aria-label="t('draft-picture.the-stairs')">
    <StairPicture
      :steps="shown"
      :lessons="{ total: Math.max(total, span), had: 0, all: [], now: null }"
      v-bind="chosen === undefined ? {} : { chosen }"
      @choose="(index) => emit('choose', index)"
    >
      <template v-if="chosen !== undefined" #over="{ layout }">
        <div
          v-for="(step, index) in steps"
          :key="step.key"
          class="edge"
          role="slider"
          tabindex="0"
          :aria-label="t('draft-picture.lessons-of-step-index', { index: index + 1 })"
          :aria-valuenow="lessonsOf(index)"
          aria-valuemin="1"
          :aria-valuemax="MOST_STEP_LESSONS"
          :aria-valuetext="counted('lessons', { n: lessonsOf(index) })"
          :style="{ left: `${layout.treads[index]!.right - 12}px`, top: `${layout.treads[index]!.top}px` }"
          @pointerdown="hold($event, index, layout)"
          @keydown.left.prevent="emit('lessons', index, step.lessons - 1)"
          @keydown.right.prevent="emit('lessons', index, step.lessons + 1)"
        >
          <span v-if="held?.index === index" class="chip">{{ counted('lessons', { n: held.lessons }) }}</span>
        </div>
      </template>
    </StairPicture>
  </section>
</template>

<style scoped lang="scss">
.picture {
  height: 372px;
  padding: 0;
  overflow: hidden;
}

.edge {
  position: absolute;
  width: 24px;
  bottom: 40px;
  cursor: ew-resize;
  touch-action: none;
}

.edge::after {
  position: absolute;
  inset: 6px 9px auto;
  height: 34px;
  border-radius: var(--radius-small);
  background: var(--ink);
  content: '';
  opacity: 0.35;
}

.edge:hover::after,
.edge:focus-visible::after {
  opacity: 1;
}

.edge .chip {
  position: absolute;
  top: 44px;
  right: 0;
  white-space: nowrap;
}

@media (max-width: 700px) {
  .picture {
    height: auto;
  }
}
</style>
