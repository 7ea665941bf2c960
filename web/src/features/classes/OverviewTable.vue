<script setup lang="ts">
import type { ClassSummary } from '@escalier/contract/class-pages';
import { computed } from 'vue';
import { shortDate, timeOfDay } from '../../ui/dates.ts';
import { counted } from '../../ui/count-messages.ts';
import { t } from './messages.ts';

/** All classes at a glance: the next to be met first, and by any column. */
const props = defineProps<{ classes: readonly ClassSummary[] }>();

const FIELDS = [
  { key: 'name', label: t('overview-table.class'), sortable: true, isRowHeader: true },
  { key: 'next', label: t('overview-table.next-lesson'), sortable: true },
  { key: 'step', label: t('overview-table.on-step'), sortable: true },
  { key: 'passed', label: t('overview-table.passed-it'), sortable: true },
  { key: 'nearly', label: t('overview-table.nearly'), sortable: true },
  { key: 'stuck', label: t('overview-table.stuck'), sortable: true },
  { key: 'waits', label: t('overview-table.longest-wait'), sortable: true },
  { key: 'taught', label: t('overview-table.lessons-taught'), sortable: true },
  { key: 'left', label: t('overview-table.left'), sortable: true },
  { key: 'lost', label: t('overview-table.lost'), sortable: true },
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
        of.classStep === of.belts.length ? t('overview-table.all-passed') : of.classStep + 1
      }}</template>
      <template #cell(passed)="{ item }">{{
        item.of.classStep === item.of.belts.length
          ? ''
          : t('overview-table.passed-of-pupils', { passed: item.passed, pupils: item.of.pupils })
      }}</template>
      <template #cell(waits)="{ item: { of } }">
        <RouterLink v-if="of.waits !== null" :to="{ name: 'hear', params: { classId: of.id, pupilId: of.waits.id } }"
          >{{ of.waits.name }}, {{ counted('lessons', { n: of.waits.lessons }) }}</RouterLink
        >
        <template v-else>{{ t('overview-table.nobody') }}</template>
      </template>
      <template #cell(taught)="{ item: { of } }">{{
        t('overview-table.had-of-total', { had: of.lessons.had, total: of.lessons.total })
      }}</template>
    </BTable>
  </div>
</template>
