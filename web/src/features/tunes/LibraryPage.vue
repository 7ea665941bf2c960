<script setup lang="ts">
import { shiftWords } from '@escalier/core/reading';
import { useLocalStorage } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import LoadState from '../../ui/LoadState.vue';
import { noteWords } from '../../ui/note-words.ts';
import { plural } from '../../ui/plural.ts';
import SelectField from '../../ui/SelectField.vue';
import type { LibraryRow } from '../../workers/index.ts';
import { useClasses } from '../classes/index.ts';
import { useSession } from '../schools/index.ts';
import { filtered, LENGTHS, NO_FILTER, offered, READINESS, type LibraryFilter } from './library-filter.ts';
import { useLibrary } from './use-library.ts';

const classes = useClasses();
const session = useSession();
const classId = useLocalStorage('escalier-library-class', '');
const { rows, total, done, error, load } = useLibrary(classId);
const filter = ref<LibraryFilter>({ ...NO_FILTER });
const withFilters = ref(false);

onMounted(async () => {
  await classes.loadList();
  const known = classes.list?.some((each) => each.id === classId.value) ?? false;
  if (!known && classId.value !== '') classId.value = '';
});

const all = computed(() => (rows.value ?? []).filter((row) => !row.archived || filter.value.archived));
const shown = computed(() => filtered(all.value, filter.value));
const metres = computed(() => offered(all.value, (row) => [row.metre]));
const keys = computed(() => offered(all.value, (row) => [row.key]));
const tags = computed(() => offered(all.value, (row) => row.tags));
const newNotes = computed(() =>
  offered(all.value, (row) => (row.newNotes.length === 1 ? row.newNotes : []), noteWords),
);
const readers = computed(() => [
  { value: '', text: 'a class that knows nothing yet' },
  ...(classes.list ?? []).map(({ id, name }) => ({ value: id, text: name })),
]);
const className = computed(() => classes.list?.find((each) => each.id === classId.value)?.name ?? null);

const HARDEST = 50;
/** A bar of our own: a component for each of many rows takes long on a small device. */
const share = (difficulty: number): string => `${Math.min(100, (100 * difficulty) / HARDEST)}%`;
const FIELDS = [
  { key: 'title', label: 'Tune', isRowHeader: true, sortable: true },
  { key: 'new', label: 'New for the class' },
  { key: 'metre', label: 'Metre, key', sortable: true },
  { key: 'learnBars', label: 'Bars to learn', sortable: true },
  { key: 'difficulty', label: 'Difficulty', sortable: true },
];

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
  <LoadState
    v-if="rows === null"
    :error="error"
    :what="total === 0 ? 'the tunes' : `the tunes, ${done} of ${total} read`"
    @again="load"
  />
  <div v-else class="page-grid">
    <header class="page-head">
      <div>
        <h1>Library</h1>
        <p class="soft">
          {{ shown.length }} of {{ plural(all.length, 'tune', 'tunes')
          }}<template v-if="className !== null">, read for {{ className }}</template>
        </p>
      </div>
      <SelectField v-model="classId" label="Read for" :options="readers" />
      <BButton v-if="session.mayTeach" role="link" variant="primary" :to="{ name: 'new-tune' }">Add a tune</BButton>
    </header>
    <BForm class="card-paper stack" role="search" @submit.prevent>
      <div class="line">
        <BFormInput
          v-model="filter.search"
          class="grow search"
          type="search"
          placeholder="Title, composer, mood"
          aria-label="Search"
        />
        <BFormRadioGroup v-model="filter.readiness" buttons :options="READINESS" aria-label="How near" />
        <BButton :aria-expanded="withFilters" @click="withFilters = !withFilters">More filters</BButton>
      </div>
      <BCollapse v-model="withFilters">
        <div class="field-grid">
          <SelectField
            v-if="filter.readiness === 'one'"
            v-model="filter.newNote"
            label="The new note"
            :options="newNotes"
          />
          <SelectField v-model="filter.metre" label="Metre" :options="metres" />
          <SelectField v-model="filter.key" label="Key" :options="keys" />
          <SelectField v-model="filter.tag" label="Mood" :options="tags" />
          <SelectField v-model="filter.length" label="Length" :options="LENGTHS" />
          <div class="line">
            <BFormCheckbox v-model="filter.words">with words</BFormCheckbox>
            <BFormCheckbox v-model="filter.duet">duets</BFormCheckbox>
            <BFormCheckbox v-model="filter.archived">archived too</BFormCheckbox>
          </div>
        </div>
      </BCollapse>
    </BForm>
    <p v-if="shown.length === 0" class="soft">No tunes match. Remove a filter, or add a tune of your own.</p>
    <div v-else class="card-paper scroll-x" tabindex="0" role="region" aria-label="The tunes as a table">
      <BTable :items="shown" :fields="FIELDS" stacked="md" hover>
        <template #cell(title)="{ item }">
          <RouterLink
            class="title"
            :to="{ name: 'tune', params: { tuneId: item.id }, query: classId === '' ? {} : { class: classId } }"
            >{{ item.title }}</RouterLink
          >
          <span class="soft small marks">{{ marks(item) }}</span>
        </template>
        <template #cell(new)="{ item }">
          <template v-if="item.unplayable.length > 0"
            ><strong>not on this instrument:</strong> {{ item.unplayable.map(noteWords).join(' ') }}</template
          >
          <template v-else-if="item.newNotes.length === 0">{{
            item.newElements.length === 0 ? 'nothing' : 'no new notes'
          }}</template>
          <span v-for="note in item.newNotes" v-else :key="note" class="chip">{{ noteWords(note) }}</span>
          <span v-if="item.better !== null" class="soft small marks">
            {{ item.better.key }}, {{ shiftWords(item.better.shift) }}:
            {{ item.better.newNotes.length === 0 ? 'nothing new' : item.better.newNotes.map(noteWords).join(' ') }}
          </span>
        </template>
        <template #cell(metre)="{ item }">{{ item.metre }} · {{ item.key }}</template>
        <template #cell(learnBars)="{ item }">{{ item.learnBars }} of {{ item.bars }}</template>
        <template #cell(difficulty)="{ item }">
          {{ item.difficulty
          }}<span class="meter" aria-hidden="true"><i :style="{ width: share(item.difficulty) }" /></span>
        </template>
      </BTable>
    </div>
  </div>
</template>

<style scoped lang="scss">
.search {
  min-width: 200px;
}

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
