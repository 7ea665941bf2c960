<script setup lang="ts">
import type { ClassSummary } from '@escalier/contract/class-pages';
import { computed } from 'vue';
import { shortDate, timeOfDay } from '../../ui/dates.ts';
import { plural } from '../../ui/plural.ts';

/** All classes at a glance: the next to be met first, and by any column. */
const props = defineProps<{ classes: readonly ClassSummary[] }>();

const FIELDS = [
  { key: 'name', label: 'Class', sortable: true, isRowHeader: true },
  { key: 'next', label: 'Next lesson', sortable: true },
  { key: 'step', label: 'On step', sortable: true },
  { key: 'passed', label: 'Passed it', sortable: true },
  { key: 'nearly', label: 'Nearly', sortable: true },
  { key: 'stuck', label: 'Stuck', sortable: true },
  { key: 'waits', label: 'Longest wait', sortable: true },
  { key: 'taught', label: 'Lessons taught', sortable: true },
  { key: 'left', label: 'Left', sortable: true },
  { key: 'lost', label: 'Lost', sortable: true },
];

const rows = computed(() =>
  props.classes
    .map((each) => ({
      id: each.id,
      name: each.name,
      next: each.lessons.next === null ? '9' : `${each.lessons.next.date} ${each.lessons.next.at}`,
      step: each.classStep,
      passed: each.onStep.slice(each.classStep + 1).reduce((sum, count) => sum + count, 0),
      nearly: each.nearly,
      stuck: each.stuck,
      waits: each.waits?.lessons ?? 0,
      taught: each.lessons.had,
      left: each.lessons.left,
      lost: each.lessons.lost,
      of: each,
    }))
    .toSorted((a, b) => a.next.localeCompare(b.next)),
);
</script>

<template>
  <div class="card-paper scroll-x">
    <BTable :items="rows" :fields="FIELDS" stacked="md" hover>
      <template #cell(name)="{ item }">
        <RouterLink :to="{ name: 'class', params: { classId: item.id } }">{{ item.name }}</RouterLink>
      </template>
      <template #cell(next)="{ item: { of } }">
        {{ of.lessons.next === null ? 'none' : `${shortDate(of.lessons.next.date)}, ${timeOfDay(of.lessons.next.at)}` }}
      </template>
      <template #cell(step)="{ item: { of } }">{{
        of.classStep === of.belts.length ? 'all passed' : of.classStep + 1
      }}</template>
      <template #cell(passed)="{ item }">{{
        item.of.classStep === item.of.belts.length ? '' : `${item.passed} of ${item.of.pupils}`
      }}</template>
      <template #cell(waits)="{ item: { of } }">
        <RouterLink v-if="of.waits !== null" :to="{ name: 'hear', params: { classId: of.id, pupilId: of.waits.id } }"
          >{{ of.waits.name }}, {{ plural(of.waits.lessons, 'lesson', 'lessons') }}</RouterLink
        >
        <template v-else>nobody</template>
      </template>
      <template #cell(taught)="{ item: { of } }">{{ of.lessons.had }} of {{ of.lessons.total }}</template>
    </BTable>
  </div>
</template>
