<script setup lang="ts">
import { computed, toRef } from 'vue';
import { longDate, timeOfDay } from '../../ui/dates.ts';
import LoadState from '../../ui/LoadState.vue';
import { ClassHead } from '../classes/index.ts';
import { TakeCare } from '../schools/index.ts';
import { useSubstituteLines } from './use-substitute-lines.ts';

/** The same lesson in plain words for somebody who does not play; to print. */
const props = defineProps<{ classId: string }>();
const { page, lesson, lines, lessons } = useSubstituteLines(toRef(props, 'classId'));
const FIELDS = [
  { key: 'when', label: 'Minute' },
  { key: 'title', label: 'Part', isRowHeader: true },
  { key: 'press', label: 'You press' },
  { key: 'say', label: 'You say' },
  { key: 'children', label: 'The children' },
];
const rows = computed(() => {
  let from = 0;
  return (lines.value ?? []).map((line) => ({ ...line, when: `${from}–${(from += line.minutes)}` }));
});
const print = (): void => window.print();
</script>

<template>
  <LoadState
    v-if="page === null || lines === null"
    :error="lessons.error"
    what="the lesson"
    @again="lessons.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" trail="For a substitute"
      ><BButton variant="primary" @click="print">Print</BButton></ClassHead
    >
    <section class="card-paper stack-close">
      <h2>
        {{ page.name
        }}<template v-if="lesson !== null">, {{ longDate(lesson.date) }}, {{ timeOfDay(lesson.at) }}</template>
      </h2>
      <p>
        You do not need to play. Open Escalier, choose {{ page.name }}, then “Start the lesson”. Space plays and stops,
        the arrow to the right goes on.
      </p>
      <BTable :items="rows" :fields="FIELDS" stacked="md" />
    </section>
    <TakeCare place="lesson" />
  </div>
</template>
