<script setup lang="ts">
import type { Outcome } from '@escalier/core/records';
import { computed, nextTick, ref, toRef, useTemplateRef } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import { ClassHead, useClasses, useLiveClass } from '../classes/index.ts';
import { useHearing } from '../hearing/index.ts';
import { boardRows, FILTERS, moved, SORTS, type BoardCell, type BoardRow, type Filter, type Sort } from './board.ts';
import BoardSheet from './BoardSheet.vue';
import CellCard from './CellCard.vue';
import { t } from './messages.ts';

const props = defineProps<{ classId: string }>();
const classes = useClasses();
const hearing = useHearing();
useLiveClass(toRef(props, 'classId'));
const page = computed(() => (classes.page?.id === props.classId ? classes.page : null));

const sort = ref<Sort>('name');
const filter = ref<Filter>('all');
const search = ref('');
const rows = computed(() => (page.value === null ? [] : boardRows(page.value, sort.value, filter.value, search.value)));

const at = ref<readonly [number, number]>([0, 0]);
const open = ref<string | null>(null);
const picked = ref<ReadonlySet<string>>(new Set());
const sheet = useTemplateRef<InstanceType<typeof BoardSheet>>('sheet');

const opened = computed(() => {
  for (const row of rows.value) {
    const cell = row.cells.find((each) => each.key === open.value);
    if (cell !== undefined) return { row, cell };
  }
  return null;
});
const pickedCells = computed(() =>
  rows.value.flatMap((row) => row.cells.filter((cell) => picked.value.has(cell.key)).map((cell) => ({ row, cell }))),
);

function pick(cell: BoardCell): void {
  const next = new Set(picked.value);
  if (!next.delete(cell.key)) next.add(cell.key);
  picked.value = next;
}

function press(row: number, cell: BoardCell, more: boolean): void {
  at.value = [row, cell.stepIndex];
  if (more) pick(cell);
  else open.value = cell.key;
}

async function key(event: KeyboardEvent, row: number, cell: BoardCell): Promise<void> {
  at.value = [row, cell.stepIndex];
  const to = moved(at.value, event.key, rows.value.length, page.value?.steps.length ?? 0);
  if (to !== null) {
    event.preventDefault();
    at.value = to;
    if (event.shiftKey && !picked.value.has(cell.key)) pick(cell);
    const next = rows.value[to[0]]?.cells[to[1]];
    if (event.shiftKey && next !== undefined) pick(next);
    await nextTick();
    sheet.value?.focusAt(to);
  } else if (event.key === ' ') {
    event.preventDefault();
    pick(cell);
  } else if (event.key === 'Enter') {
    event.preventDefault();
    open.value = cell.key;
  } else if (event.key === 'Escape') {
    picked.value = new Set();
    open.value = null;
  }
}

async function record(all: readonly { row: BoardRow; cell: BoardCell }[], outcome: Outcome): Promise<void> {
  picked.value = new Set();
  for (const { row, cell } of all) {
    const step = page.value?.steps[cell.stepIndex];
    if (step === undefined) continue;
    const draft = { pupilId: row.pupil.id, stepId: step.id, outcome, remarks: [] };
    await hearing.hear(props.classId, draft, row.pupil.name, step.position);
  }
}

/** Marks or unmarks the step that a pupil works on. */
function pickPupil(row: BoardRow): void {
  const cell = row.cells[row.standing.stepIndex];
  if (cell !== undefined) pick(cell);
}
</script>

<template>
  <LoadState
    v-if="page === null"
    :error="classes.error"
    :what="t('board-page.the-board')"
    @again="classes.open(classId)"
  />
  <div v-else class="page-grid">
    <ClassHead :class-id="classId" />
    <div class="line">
      <BFormRadioGroup v-model="sort" buttons :options="SORTS" :aria-label="t('board-page.sort-by')" />
      <BFormRadioGroup v-model="filter" buttons :options="FILTERS" :aria-label="t('board-page.show')" />
      <BFormInput
        v-model="search"
        class="find"
        type="search"
        :placeholder="t('board-page.find-a-pupil')"
        :aria-label="t('board-page.find-a-pupil')"
      />
      <p class="soft">
        {{
          t('board-page.rows-count-of-filter-count-pupils', {
            rowsCount: rows.length,
            filterCount: page.pupils.filter((pupil) => pupil.standing !== null).length,
          })
        }}
      </p>
    </div>
    <div class="columns" :class="opened === null ? 'columns-1' : 'columns-side'">
      <BoardSheet
        ref="sheet"
        :page="page"
        :rows="rows"
        :at="at"
        :open="open"
        :picked="picked"
        @press="press"
        @key="key"
        @pick-pupil="pickPupil"
      />
      <CellCard
        v-if="opened !== null"
        :class-id="classId"
        :page="page"
        :row="opened.row"
        :cell="opened.cell"
        @close="open = null"
        @record="record([opened], $event)"
      />
    </div>
    <div
      v-if="pickedCells.length > 0"
      class="card-paper line picked"
      role="region"
      :aria-label="t('board-page.marked-cells')"
    >
      <strong>{{ t('board-page.picked-cells-count-marked', { pickedCellsCount: pickedCells.length }) }}</strong>
      <BButton variant="primary" @click="record(pickedCells, 'passed')">{{ t('board-page.passed-today') }}</BButton>
      <BButton @click="record(pickedCells, 'nearly')">{{ t('board-page.nearly') }}</BButton>
      <BButton @click="record(pickedCells, 'not-yet')">{{ t('board-page.not-yet') }}</BButton>
      <BButton @click="picked = new Set()">{{ t('board-page.clear-marks') }}</BButton>
    </div>
    <BAlert v-if="hearing.error !== null" variant="danger" :model-value="true">{{ hearing.error }}</BAlert>
    <p class="soft no-print">
      {{ t('board-page.move-with-the-arrow-keys-open') }}
    </p>
  </div>
</template>

<style scoped>
.find {
  width: 180px;
}

.picked {
  position: sticky;
  bottom: 10px;
  z-index: 3;
  border: 2px solid var(--ink);
}

@media (max-width: 600px) {
  .picked {
    bottom: 72px;
  }
}
</style>
