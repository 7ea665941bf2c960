<script setup lang="ts">
import { MOST_ROWS, type NoteRow, type RowFill, type RowKind } from '@escalier/core/practice';
import { computed } from 'vue';
import { t } from './messages.ts';

/** What stands under the notes, row by row from the top. */
const props = defineProps<{ hasWords: boolean; withSi: boolean }>();
const rows = defineModel<readonly NoteRow[]>({ required: true });

const kinds = computed((): readonly { value: RowKind; text: string }[] => [
  { value: 'letters', text: t('note-rows.letters') },
  { value: 'german-letters', text: t('note-rows.h-and-b') },
  { value: props.withSi ? 'fixed-do-si' : 'fixed-do', text: t('note-rows.fixed-do') },
  { value: 'movable-do', text: t('note-rows.movable-do') },
  { value: 'degrees', text: t('note-rows.degrees') },
  { value: 'finger-count', text: t('note-rows.fingers') },
  { value: 'counting', text: t('note-rows.counting') },
  ...(props.hasWords ? [{ value: 'words' as const, text: t('note-rows.words') }] : []),
]);
const FILLS: readonly { value: RowFill; text: string }[] = [
  { value: 'full', text: 'all' },
  { value: 'first', text: t('note-rows.first-ones') },
  { value: 'blank', text: t('note-rows.to-fill-in') },
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
  <div class="d-flex flex-wrap gap-2 align-items-center" role="group" :aria-label="t('note-rows.under-the-notes')">
    <BInputGroup v-for="(row, index) in rows" :key="row.kind" class="w-auto">
      <BButton
        v-if="index > 0"
        :aria-label="t('note-rows.move-row-index-up', { index: index + 1 })"
        @click="raise(index)"
        >↑</BButton
      >
      <BFormSelect
        class="auto"
        :model-value="row.kind"
        :options="optionsFor(row)"
        :aria-label="t('note-rows.row-index', { index: index + 1 })"
        @update:model-value="change(index, { kind: $event as RowKind })"
      />
      <BFormSelect
        class="auto"
        :model-value="row.fill"
        :options="FILLS"
        :aria-label="t('note-rows.which-notes-of-row-index', { index: index + 1 })"
        @update:model-value="change(index, { fill: $event as RowFill })"
      />
      <BButton :aria-label="t('note-rows.remove-row-index', { index: index + 1 })" @click="drop(index)">×</BButton>
    </BInputGroup>
    <BButton v-if="rows.length < MOST_ROWS && free !== undefined" @click="add">
      {{ rows.length === 0 ? t('note-rows.add-a-row-under-the-notes') : t('note-rows.add-a-row') }}
    </BButton>
  </div>
</template>
