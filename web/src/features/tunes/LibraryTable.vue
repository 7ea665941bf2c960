<script setup lang="ts">
import { shiftWords } from '@escalier/core/words';
import { ref, watch } from 'vue';
import { useGrowing } from '../../ui/after-paint.ts';
import { noteWords } from '../../ui/note-words.ts';
import type { LibraryRow } from '../../workers/index.ts';
import { t } from './messages.ts';

/** The tunes that are left after filtering, a page at a time. */
const props = defineProps<{ rows: readonly LibraryRow[]; classId: string }>();

/** On a phone each tune is a block of lines. */
const PER_PAGE = window.innerWidth < 768 ? 10 : 20;
const pageNumber = ref(1);
watch(
  () => props.rows,
  () => (pageNumber.value = 1),
);
const drawn = useGrowing(5, PER_PAGE);

const FIELDS = [
  { key: 'title', label: t('library-table.tune'), isRowHeader: true, sortable: true },
  { key: 'new', label: t('library-table.new-for-the-class') },
  { key: 'metre', label: t('library-table.metre-key'), sortable: true },
  { key: 'learnBars', label: t('library-table.bars-to-learn'), sortable: true },
  { key: 'difficulty', label: t('library-table.difficulty'), sortable: true },
];
const HARDEST = 50;
/** A bar of our own: a component for each of many rows takes long on a small device. */
const share = (difficulty: number): string => `${Math.min(100, (100 * difficulty) / HARDEST)}%`;

function marks(row: LibraryRow): string {
  return [
    ...(row.archived ? ['archived'] : []),
    ...(row.isDuet ? ['duet'] : []),
    ...(row.hasWords ? ['words'] : []),
    ...row.tags.filter((tag) => tag !== 'duet'),
  ].join(' · ');
}
</script>

<template>
  <div class="card-paper scroll-x" tabindex="0" role="region" :aria-label="t('library-table.the-tunes-as-a-table')">
    <BTable :items="rows" :fields="FIELDS" :per-page="drawn" :current-page="pageNumber" stacked="md" hover>
      <template #cell(title)="{ item }">
        <RouterLink
          class="title"
          :to="{ name: 'tune', params: { tuneId: item.id }, query: classId === '' ? {} : { class: classId } }"
          >{{ item.title }}</RouterLink
        >
        <span v-if="item.otherTitles.length > 0" class="soft small marks">{{ item.otherTitles.join(', ') }}</span>
        <span class="soft small marks">{{ marks(item) }}</span>
      </template>
      <template #cell(new)="{ item }">
        <template v-if="item.unplayable.length > 0"
          ><strong>{{ t('library-table.not-on-this-instrument') }}</strong>
          {{ item.unplayable.map(noteWords).join(' ') }}</template
        >
        <template v-else-if="item.newNotes.length === 0">{{
          item.newElements.length === 0 ? 'nothing' : t('library-table.no-new-notes')
        }}</template>
        <span v-for="note in item.newNotes" v-else :key="note" class="chip">{{ noteWords(note) }}</span>
        <span v-if="item.better !== null" class="soft small marks">
          {{ item.better.key }}, {{ shiftWords(item.better.shift) }}:
          {{
            item.better.newNotes.length === 0
              ? t('library-table.nothing-new')
              : item.better.newNotes.map(noteWords).join(' ')
          }}
        </span>
      </template>
      <template #cell(metre)="{ item }">{{ item.metre }} · {{ item.key }}</template>
      <template #cell(learnBars)="{ item }">{{
        t('library-table.learn-bars-of-bars', { learnBars: item.learnBars, bars: item.bars })
      }}</template>
      <template #cell(difficulty)="{ item }">
        {{ item.difficulty
        }}<span class="meter" aria-hidden="true"><i :style="{ width: share(item.difficulty) }" /></span>
      </template>
    </BTable>
    <BPagination
      v-if="rows.length > PER_PAGE"
      v-model="pageNumber"
      class="pages mt-3 mb-0"
      :total-rows="rows.length"
      :per-page="PER_PAGE"
      :aria-label="t('library-table.pages-of-the-library')"
      first-number
      last-number
    />
  </div>
</template>

<style scoped lang="scss">
.title {
  color: var(--ink);
  font-size: var(--text-large);
  font-weight: 700;
}

.marks {
  margin-left: 8px;
  font-weight: 400;
}

.chip {
  margin-right: 5px;
}

.meter {
  display: block;
  width: 90px;
  height: 5px;
  margin-top: 4px;
  background: var(--stone);
}

.meter i {
  display: block;
  height: 100%;
  background: var(--spruce);
}
</style>
