<script setup lang="ts">
import type { InstrumentList } from '@escalier/contract/instruments';
import { computed } from 'vue';
import { className } from './words.ts';

/** The printed list: who has which number, with room to sign for its return. */
const props = defineProps<{ lent: InstrumentList; classId: string }>();
const rows = computed(() =>
  props.lent.instruments
    .flatMap((each) => each.loans.map((loan) => ({ number: each.number, condition: each.condition, ...loan })))
    .filter((row) => props.classId === '' || row.classId === props.classId)
    .toSorted((a, b) => a.pupil.localeCompare(b.pupil)),
);
const fields = computed(() => [
  { key: 'pupil', label: 'Pupil', isRowHeader: true },
  ...(props.classId === '' ? [{ key: 'classId', label: 'Class' }] : []),
  { key: 'number', label: 'Number' },
  { key: 'condition', label: 'Condition' },
  { key: 'returned', label: 'Returned', thStyle: { width: '35%' } },
]);
</script>

<template>
  <section class="print-only">
    <h1>Instruments{{ classId === '' ? '' : `, ${className(lent.classes, classId)}` }}</h1>
    <BTable bordered small :items="rows" :fields="fields">
      <template #cell(classId)="{ item }">{{ className(lent.classes, item.classId) }}</template>
    </BTable>
  </section>
</template>
