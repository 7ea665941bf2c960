<script setup lang="ts">
import { useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import type { ClassView } from '../classes/index.ts';
import BeltBand from '../../ui/BeltBand.vue';
import type { BoardCell, BoardRow } from './board.ts';
import { t } from './messages.ts';

/** Pupils by steps. One cell can be reached by Tab; the arrow keys go from there. */
const props = defineProps<{
  page: ClassView;
  rows: readonly BoardRow[];
  at: readonly [number, number];
  open: string | null;
  picked: ReadonlySet<string>;
}>();
const emit = defineEmits<{
  press: [row: number, cell: BoardCell, more: boolean];
  key: [event: KeyboardEvent, row: number, cell: BoardCell];
  pickPupil: [row: BoardRow];
}>();

const SIGNS = { passed: '●', nearly: '◐', tried: '○', below: '–', unheard: '' } as const;
const router = useRouter();
/** One address and one listener for all pupils: thirty links that each watch the route take longer to draw. */
const pupils = router.resolve({ name: 'pupils', params: { classId: props.page.id } }).href;
const table = useTemplateRef<HTMLElement>('table');

function focusAt([row, column]: readonly [number, number]): void {
  table.value?.querySelector<HTMLElement>(`[data-cell="${row}.${column}"]`)?.focus();
}
defineExpose({ focusAt });

/** The cell that an event of the table belongs to: one listener for all of them. */
function cellAt(event: Event): readonly [number, BoardCell] | null {
  const place = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]')?.dataset.cell;
  const [row, column] = place?.split('.').map(Number) ?? [];
  const cell = props.rows[row ?? -1]?.cells[column ?? -1];
  return row === undefined || cell === undefined ? null : [row, cell];
}

function press(event: MouseEvent): void {
  const link = (event.target as HTMLElement).closest('a');
  const plain = !event.ctrlKey && !event.metaKey && !event.shiftKey;
  if (link !== null && plain) {
    event.preventDefault();
    void router.push(link.getAttribute('href')!);
  }
  const found = cellAt(event);
  if (found !== null) emit('press', ...found, !plain);
}

function key(event: KeyboardEvent): void {
  const found = cellAt(event);
  if (found !== null) emit('key', event, ...found);
}
</script>

<template>
  <div class="scroll" tabindex="-1">
    <table
      ref="table"
      role="grid"
      :style="{ '--steps': page.steps.length }"
      :aria-label="t('board-sheet.name-pupils-by-steps', { name: page.name })"
      @click="press"
      @keydown="key"
    >
      <colgroup>
        <col class="first" />
        <col v-for="step in page.steps" :key="step.id" />
      </colgroup>
      <thead>
        <tr>
          <th scope="col" class="name">{{ t('board-sheet.pupil') }}</th>
          <th v-for="step in page.steps" :key="step.id" scope="col">
            <BeltBand :belt-id="step.belt" decorative />
            <span class="title">{{ step.position }} {{ step.title }}</span>
            <span class="soft">{{
              t('board-sheet.passed-of-of', { passed: step.goOn.passed, of: step.goOn.of })
            }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, index) in rows" :key="row.pupil.id">
          <th scope="row" class="name">
            <label v-if="row.standing.state !== 'finished'">
              <input
                type="checkbox"
                class="form-check-input"
                :checked="picked.has(`${row.pupil.id} ${row.standing.stepIndex}`)"
                :aria-label="
                  t('board-sheet.mark-name-on-step-step-index', {
                    name: row.pupil.name,
                    stepIndex: row.standing.stepIndex + 1,
                  })
                "
                @change="$emit('pickPupil', row)"
              />
            </label>
            <a :href="`${pupils}/${row.pupil.id}`">{{ row.pupil.name }}</a>
          </th>
          <td
            v-for="cell in row.cells"
            :key="cell.key"
            role="gridcell"
            :class="[cell.state, { here: cell.here, opened: open === cell.key, picked: picked.has(cell.key) }]"
            :data-cell="`${index}.${cell.stepIndex}`"
            :tabindex="at[0] === index && at[1] === cell.stepIndex ? 0 : -1"
            :aria-label="cell.words"
            :aria-selected="picked.has(cell.key) ? true : undefined"
            v-text="`${SIGNS[cell.state]} ${cell.text}`"
          />
        </tr>
      </tbody>
    </table>
    <p v-if="rows.length === 0" class="none p-4">{{ t('board-sheet.no-pupils-match-choose-all-or') }}</p>
  </div>
</template>

<style scoped>
.scroll {
  max-height: calc(100vh - 190px);
  overflow: auto;
  contain: layout paint;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--card);
}

/* Fixed columns: the browser need not measure hundreds of cells to lay them out. */
table {
  width: max(100%, calc(200px + var(--steps) * 86px));
  table-layout: fixed;
  border-collapse: separate;
  border-spacing: 0;
  font-size: var(--text-small);
  font-feature-settings: normal;
  text-rendering: optimizespeed;
}

thead th {
  position: sticky;
  top: 0;
  z-index: 2;
  padding: 0 4px 4px;
  background: var(--card);
  border-bottom: 2px solid var(--ink);
  font-size: var(--text-small);
  font-weight: 700;
  line-height: 1.15;
  text-align: left;
  vertical-align: bottom;
}

.first {
  width: 200px;
}

.title {
  display: block;
  margin-top: 3px;
  overflow-wrap: anywhere;
}

.name {
  position: sticky;
  left: 0;
  z-index: 1;
  padding: 0 8px;
  background: var(--card);
  text-align: left;
  font-weight: 700;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

thead .name {
  z-index: 3;
}

tbody th,
td {
  height: 27px;
  border-bottom: 1px solid var(--line);
}

tbody .name label {
  display: inline-grid;
  place-items: center;
  width: 26px;
  height: 26px;
  margin-right: 4px;
  vertical-align: middle;
}

.name .form-check-input {
  width: 18px;
  height: 18px;
}

.name a {
  color: var(--ink);
}

td {
  padding: 0 6px;
  border-left: 1px solid var(--line);
  white-space: nowrap;
  cursor: pointer;
}

td.passed {
  background: var(--spruce-soft);
  color: var(--spruce);
}

td.nearly {
  background: var(--brass-soft);
  color: var(--brass-deep);
}

td.tried {
  color: var(--brick);
}

td.below {
  background: repeating-linear-gradient(135deg, var(--stone) 0 3px, var(--card) 3px 7px);
}

td.here {
  box-shadow: inset 0 0 0 2px var(--ink);
}

td.picked {
  background: var(--ink);
  color: var(--white);
}

td.opened {
  outline: 3px solid var(--brick);
  outline-offset: -3px;
}

td:focus-visible {
  outline: var(--focus);
  outline-offset: -3px;
}

@media (pointer: coarse) {
  tbody th,
  td {
    height: 44px;
  }

  tbody .name label {
    width: 44px;
    height: 44px;
  }
}
</style>
