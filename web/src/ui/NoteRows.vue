<script setup lang="ts">
import { MOST_ROWS, type NoteRow, type RowFill, type RowKind } from '@escalier/core/practice';
import { computed } from 'vue';

/** What stands under the notes, row by row from the top. */
const props = defineProps<{ hasWords: boolean; withSi: boolean }>();
const rows = defineModel<readonly NoteRow[]>({ required: true });

const kinds = computed((): readonly { value: RowKind; text: string }[] => [
  { value: 'letters', text: 'Letters' },
  { value: 'german-letters', text: 'H and B' },
  { value: props.withSi ? 'fixed-do-si' : 'fixed-do', text: 'Fixed do' },
  { value: 'movable-do', text: 'Movable do' },
  { value: 'degrees', text: 'Degrees' },
  { value: 'finger-count', text: 'Fingers' },
  { value: 'counting', text: 'Counting' },
  ...(props.hasWords ? [{ value: 'words' as const, text: 'Words' }] : []),
]);
const FILLS: readonly { value: RowFill; text: string }[] = [
  { value: 'full', text: 'all' },
  { value: 'first', text: 'first ones' },
  { value: 'blank', text: 'to fill in' },
];
const free = computed(() => kinds.value.find(({ value }) => rows.value.every((row) => row.kind !== value)));

function optionsFor(row: NoteRow) {
  return kinds.value.filter(({ value }) => value === row.kind || rows.value.every((other) => other.kind !== value));
}

function change(index: number, more: Partial<NoteRow>): void {
  rows.value = rows.value.map((row, at) => (at === index ? { ...row, ...more } : row));
}

function drop(index: number): void {
  rows.value = rows.value.filter((_, at) => at !== index);
}

function raise(index: number): void {
  const order = [...rows.value];
  [order[index - 1], order[index]] = [order[index]!, order[index - 1]!];
  rows.value = order;
}

function add(): void {
  if (free.value !== undefined) rows.value = [...rows.value, { kind: free.value.value, fill: 'full' }];
}
</script>

<template>
  <div class="d-flex flex-wrap gap-2 align-items-center" role="group" aria-label="Under the notes">
    <BInputGroup v-for="(row, index) in rows" :key="row.kind" class="w-auto">
      <BButton v-if="index > 0" :aria-label="`Row ${index + 1} one up`" @click="raise(index)">↑</BButton>
      <BFormSelect
        class="auto"
        :model-value="row.kind"
        :options="optionsFor(row)"
        :aria-label="`Row ${index + 1}`"
        @update:model-value="change(index, { kind: $event as RowKind })"
      />
      <BFormSelect
        class="auto"
        :model-value="row.fill"
        :options="FILLS"
        :aria-label="`Which notes of row ${index + 1}`"
        @update:model-value="change(index, { fill: $event as RowFill })"
      />
      <BButton :aria-label="`Row ${index + 1} off`" @click="drop(index)">×</BButton>
    </BInputGroup>
    <BButton v-if="rows.length < MOST_ROWS && free !== undefined" @click="add">
      {{ rows.length === 0 ? 'Add a row under the notes' : 'Add a row' }}
    </BButton>
  </div>
</template>
