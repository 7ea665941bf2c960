<script setup lang="ts">
import type { LocalDate } from '@escalier/core/calendar';
import IconBorder from '~icons/bi/arrows-vertical';
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { shortDate } from '../../ui/dates.ts';
import { useSession } from '../schools/index.ts';
import type { ClassView, StepView } from './project.ts';
import type { Beside, PlanLesson } from '@escalier/core/classes';
import { PART_WORDS } from './unit-words.ts';
import { newThings } from './words.ts';
import { t } from './messages.ts';

/** The term, a line for each lesson: its step, what it holds, and when parallel groups have the same. */
const props = defineProps<{ page: ClassView; lessons: readonly PlanLesson<StepView>[]; beside: readonly Beside[] }>();
const emit = defineEmits<{
  lose: [date: LocalDate];
  /** The step is to end with the lesson of this index. */
  end: [step: StepView, lesson: number];
}>();
const session = useSession();

const fields = computed(() => [
  { key: 'number', label: t('plan-lessons.lesson'), isRowHeader: true },
  { key: 'date', label: t('plan-lessons.date'), tdClass: 'text-nowrap' },
  { key: 'step', label: t('plan-lessons.step') },
  { key: 'holds', label: t('plan-lessons.holds') },
  ...props.beside.map(({ id, name }) => ({ key: id, label: name, tdClass: 'text-nowrap' })),
  ...(session.mayTeach
    ? [{ key: 'lose', label: t('plan-lessons.change'), thClass: 'no-print', tdClass: 'no-print' }]
    : []),
]);
const rows = computed(() =>
  props.lessons.map((lesson, index) => ({
    ...lesson,
    holds: holds(lesson),
    ...Object.fromEntries(
      props.beside.map(({ id, days }) => {
        const day = days[index];
        return [id, day === null || day === undefined ? '–' : shortDate(day)];
      }),
    ),
  })),
);
const rowClass = (item: PlanLesson<StepView> | null): string =>
  [item?.isPast === true ? 'past' : '', item !== null && item.number - 1 === pulled.value?.to ? 'new-end' : ''].join(
    ' ',
  );

/** A step’s end while it is dragged over the lessons. */
const pulled = shallowRef<{ readonly step: StepView; readonly to: number } | null>(null);
const frame = useTemplateRef<HTMLElement>('frame');
const isEnd = ({ step, number }: PlanLesson<StepView>): boolean =>
  step !== null && session.mayTeach && props.lessons[number]?.step !== step;

function pull(step: StepView, down: PointerEvent): void {
  const grip = down.currentTarget as HTMLElement;
  grip.setPointerCapture(down.pointerId);
  const rows = [...frame.value!.querySelectorAll('tbody tr')];
  const at = ({ clientY }: PointerEvent): number =>
    Math.max(
      0,
      rows.findLastIndex((row) => row.getBoundingClientRect().top <= clientY),
    );
  pulled.value = { step, to: at(down) };
  grip.onpointermove = (move) => (pulled.value = { step, to: at(move) });
  grip.onpointercancel = () => (pulled.value = null);
  grip.onpointerup = (up) => {
    grip.onpointermove = null;
    if (pulled.value !== null) emit('end', step, at(up));
    pulled.value = null;
  };
}

/** The focus goes with the end of the step once the plan has come anew. */
function push(step: StepView, to: number): void {
  if (to < 0 || to >= props.lessons.length) return;
  emit('end', step, to);
  const stop = watch(
    () => props.lessons,
    async () => {
      stop();
      await nextTick();
      frame.value?.querySelector<HTMLElement>(`[data-ends="${step.position}"]`)?.focus();
    },
  );
}

function holds({ step, part }: PlanLesson<StepView>): string {
  const news = part === 'first' && step !== null ? newThings(step, props.page.style.lengthWords).slice(0, 3) : [];
  return news.length === 0 ? PART_WORDS[part] : `${PART_WORDS[part]}: ${news.join(', ')}`;
}
</script>

<template>
  <section ref="frame" class="card-paper scroll-x" :aria-label="t('plan-lessons.lessons')" role="region" tabindex="0">
    <BTable :items="rows" :fields="fields" :tbody-tr-class="rowClass" stacked="md">
      <template #cell(date)="{ item }">{{ shortDate(item.date) }}</template>
      <template #cell(step)="{ item }">
        <span v-if="item.step !== null" class="d-flex gap-2 align-items-center">
          <span class="belt-chip"><BeltBand :belt-id="item.step.belt" decorative /></span>
          {{ item.step.position }} {{ item.step.title }}
        </span>
      </template>
      <template #cell(holds)="{ item }">
        <span class="d-flex gap-2 align-items-center">
          <span class="grow">{{ item.holds }}</span>
          <BButton
            v-if="isEnd(item)"
            class="grip no-print"
            variant="link"
            :data-ends="item.step!.position"
            :aria-label="t('plan-lessons.step-position-ends-here-drag-or', { position: item.step!.position })"
            @pointerdown.prevent="pull(item.step!, $event)"
            @keydown.up.prevent="push(item.step!, item.number - 2)"
            @keydown.down.prevent="push(item.step!, item.number)"
            ><IconBorder aria-hidden="true"
          /></BButton>
        </span>
      </template>
      <template #cell(lose)="{ item }">
        <BButton
          size="sm"
          :aria-label="t('plan-lessons.cancel-lesson-number', { number: item.number })"
          @click="$emit('lose', item.date)"
          >{{ t('plan-lessons.cancel') }}</BButton
        >
      </template>
    </BTable>
  </section>
</template>

<style scoped lang="scss">
:deep(td),
:deep(tbody th) {
  vertical-align: middle;
}

:deep(.past) {
  opacity: 0.72;
}

.grip {
  padding-block: 0;
  cursor: ns-resize;
  touch-action: none;
}

:deep(.new-end td) {
  border-bottom: 4px solid var(--spruce);
}

@media print {
  :deep(.past) {
    opacity: 1;
  }
}
</style>
