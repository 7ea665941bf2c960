<script setup lang="ts">
import type { LocalDate } from '@escalier/core/calendar';
import { computed } from 'vue';
import BeltBand from '../../ui/BeltBand.vue';
import { shortDate } from '../../ui/dates.ts';
import { useSession } from '../schools/index.ts';
import type { ClassView } from './project.ts';
import { PART_WORDS, type Beside, type PlanLesson } from './unit.ts';
import { newThings } from './words.ts';

/** The term, a line for each lesson: its step, what it holds, and when parallel groups have the same. */
const props = defineProps<{ page: ClassView; lessons: readonly PlanLesson[]; beside: readonly Beside[] }>();
defineEmits<{ lose: [date: LocalDate] }>();
const session = useSession();

const fields = computed(() => [
  { key: 'number', label: 'Lesson', isRowHeader: true },
  { key: 'date', label: 'Date', tdClass: 'text-nowrap' },
  { key: 'step', label: 'Step' },
  { key: 'holds', label: 'Holds' },
  ...props.beside.map(({ id, name }) => ({ key: id, label: name, tdClass: 'text-nowrap' })),
  ...(session.mayTeach ? [{ key: 'lose', label: 'Change', thClass: 'no-print', tdClass: 'no-print' }] : []),
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
const rowClass = (item: PlanLesson | null): string => (item?.isPast === true ? 'past' : '');

function holds({ step, part }: PlanLesson): string {
  const news = part === 'first' && step !== null ? newThings(step, props.page.style.lengthWords).slice(0, 3) : [];
  return news.length === 0 ? PART_WORDS[part] : `${PART_WORDS[part]}: ${news.join(', ')}`;
}
</script>

<template>
  <section class="card-paper scroll-x" aria-label="Lessons" role="region" tabindex="0">
    <BTable :items="rows" :fields="fields" :tbody-tr-class="rowClass" stacked="md">
      <template #cell(date)="{ item }">{{ shortDate(item.date) }}</template>
      <template #cell(step)="{ item }">
        <span v-if="item.step !== null" class="d-flex gap-2 align-items-center">
          <span class="belt-chip"><BeltBand :belt-id="item.step.belt" decorative /></span>
          {{ item.step.position }} {{ item.step.title }}
        </span>
      </template>
      <template #cell(lose)="{ item }">
        <BButton size="sm" :aria-label="`Lesson ${item.number} is lost`" @click="$emit('lose', item.date)"
          >Lost</BButton
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

@media print {
  :deep(.past) {
    opacity: 1;
  }
}
</style>
