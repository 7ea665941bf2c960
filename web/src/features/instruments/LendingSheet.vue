<script setup lang="ts">
import type { InstrumentList } from '@escalier/contract/instruments';
import { computed } from 'vue';
import { className } from './words.ts';
import { t } from './messages.ts';

/** The printed list: who has which number, with room to sign for its return. */
const props = defineProps<{ lent: InstrumentList; classId: string }>();
const rows = computed(() =>
  props.lent.instruments
    .flatMap((each) => each.loans.map((loan) => ({ number: each.number, condition: each.condition, ...loan })))
    .filter((row) => props.classId === '' || row.classId === props.classId)
    .toSorted((a, b) => a.pupil.localeCompare(b.pupil)),
);
const fields = computed(() => [
  { key: 'pupil', label: t('lending-sheet.pupil'), isRowHeader: true },
  ...(props.classId === '' ? [{ key: 'classId', label: t('lending-sheet.class') }] : []),
  { key: 'number', label: t('lending-sheet.number') },
  { key: 'condition', label: t('lending-sheet.condition') },
  { key: 'returned', label: t('lending-sheet.returned'), thStyle: { width: '35%' } },
]);
</script>

<template>
  <section class="print-only">
    <h1>
      {{
        t('lending-sheet.instruments-value', { ofClass: classId === '' ? '' : `, ${className(lent.classes, classId)}` })
      }}
    </h1>
    <BTable bordered small :items="rows" :fields="fields">
      <template #cell(classId)="{ item }">{{ className(lent.classes, item.classId) }}</template>
    </BTable>
  </section>
</template>
