<script setup lang="ts">
import { shiftWords } from '@escalier/core/reading';
import { useLocalStorage } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { RouterLink } from 'vue-router';
import ChoiceBar from '../../ui/ChoiceBar.vue';
import LoadState from '../../ui/LoadState.vue';
import { noteWords, plural, useClasses } from '../classes/index.ts';
import { filtered, LENGTHS, NO_FILTER, offered, READINESS, SORTS, type LibraryFilter } from './library-filter.ts';
import { useLibrary } from './use-library.ts';

const classes = useClasses();
const classId = useLocalStorage('escalier-library-class', '');
const { rows, total, done, error, load } = useLibrary(classId);
const filter = ref<LibraryFilter>({ ...NO_FILTER });

onMounted(async () => {
  await classes.loadList();
  const known = classes.list?.some((each) => each.id === classId.value) ?? false;
  if (!known && classId.value !== '') classId.value = '';
});

const shown = computed(() => filtered(rows.value ?? [], filter.value));
const metres = computed(() => offered(rows.value ?? [], (row) => [row.metre]));
const keys = computed(() => offered(rows.value ?? [], (row) => [row.key]));
const tags = computed(() => offered(rows.value ?? [], (row) => row.tags));
const newNotes = computed(() => offered(rows.value ?? [], (row) => (row.newNotes.length === 1 ? row.newNotes : [])));
const className = computed(() => classes.list?.find((each) => each.id === classId.value)?.name ?? null);
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
        <h1>Tunes</h1>
        <p class="soft">
          {{ plural(shown.length, 'tune', 'tunes') }} of {{ rows.length
          }}<template v-if="className !== null">, read for {{ className }}</template>
        </p>
      </div>
      <label class="for">
        <span class="soft">Read for</span>
        <select v-model="classId" class="form-select">
          <option value="">a class that knows nothing yet</option>
          <option v-for="each in classes.list ?? []" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </label>
      <RouterLink class="btn btn-primary" :to="{ name: 'new-tune' }">Bring a tune</RouterLink>
    </header>
    <form class="card-paper filters" role="search" @submit.prevent>
      <label
        ><span class="visually-hidden">Search</span
        ><input v-model="filter.search" class="form-control" type="search" placeholder="Title, composer, mood"
      /></label>
      <ChoiceBar v-model="filter.readiness" label="How near" :choices="READINESS" />
      <label v-if="filter.readiness === 'one'">
        which
        <select v-model="filter.newNote" class="form-select">
          <option value="">any</option>
          <option v-for="note in newNotes" :key="note" :value="note">{{ noteWords(note) }}</option>
        </select>
      </label>
      <label
        >Metre
        <select v-model="filter.metre" class="form-select">
          <option value="">any</option>
          <option v-for="each in metres" :key="each">{{ each }}</option>
        </select></label
      >
      <label
        >Key
        <select v-model="filter.key" class="form-select">
          <option value="">any</option>
          <option v-for="each in keys" :key="each">{{ each }}</option>
        </select></label
      >
      <label
        >Mood
        <select v-model="filter.tag" class="form-select">
          <option value="">any</option>
          <option v-for="each in tags" :key="each">{{ each }}</option>
        </select></label
      >
      <label>
        Length
        <select v-model="filter.length" class="form-select">
          <option v-for="length in LENGTHS" :key="length.value" :value="length.value">{{ length.label }}</option>
        </select>
      </label>
      <label class="tick"><input v-model="filter.words" type="checkbox" class="form-check-input" /> words</label>
      <label class="tick"><input v-model="filter.duet" type="checkbox" class="form-check-input" /> duet</label>
      <label
        >Order
        <select v-model="filter.sort" class="form-select">
          <option v-for="sort in SORTS" :key="sort.value" :value="sort.value">{{ sort.label }}</option>
        </select></label
      >
    </form>
    <p v-if="shown.length === 0" class="soft">No tune fits. Take a filter away, or bring a tune of your own.</p>
    <div v-else class="card-paper table-box" tabindex="0" aria-label="The tunes as a table">
      <table>
        <thead>
          <tr>
            <th scope="col">Tune</th>
            <th scope="col">New for the class</th>
            <th scope="col">Metre, key</th>
            <th scope="col">Bars to learn</th>
            <th scope="col" class="number">Difficulty</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in shown" :key="row.id">
            <th scope="row">
              <RouterLink
                :to="{ name: 'tune', params: { tuneId: row.id }, query: classId === '' ? {} : { class: classId } }"
                >{{ row.title }}</RouterLink
              >
              <span class="soft small">
                {{
                  [
                    ...(row.isDuet ? ['duet'] : []),
                    ...(row.hasWords ? ['words'] : []),
                    ...row.tags.filter((tag) => tag !== 'duet'),
                  ].join(' · ')
                }}</span
              >
            </th>
            <td>
              <template v-if="row.unplayable.length > 0"
                ><strong>not on this instrument:</strong> {{ row.unplayable.map(noteWords).join(' ') }}</template
              >
              <template v-else-if="row.newNotes.length === 0">{{
                row.newElements.length === 0 ? 'nothing' : 'no note'
              }}</template>
              <span v-for="note in row.newNotes" v-else :key="note" class="chip">{{ noteWords(note) }}</span>
              <span v-if="row.better !== null" class="soft small">
                {{ row.better.key }}, {{ shiftWords(row.better.shift) }}:
                {{ row.better.newNotes.length === 0 ? 'nothing new' : row.better.newNotes.map(noteWords).join(' ') }}
              </span>
            </td>
            <td>{{ row.metre }} · {{ row.key }}</td>
            <td>{{ row.learnBars }} of {{ row.bars }}</td>
            <td class="number">
              {{ row.difficulty
              }}<span class="meter" aria-hidden="true"
                ><span :style="{ width: `${Math.min(100, row.difficulty * 2)}%` }"
              /></span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped lang="scss">
.for,
.filters label {
  display: flex;
  align-items: center;
  gap: 8px;
}

.filters {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  padding: 10px 14px;
}

.filters select,
.for select {
  width: auto;
}

.tick {
  min-height: 38px;
}

.table-box {
  overflow-x: auto;
  padding: 0;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 9px 14px;
  border-bottom: 1px solid var(--line);
  text-align: left;
  vertical-align: top;
}

thead th {
  color: var(--ink-soft);
  font-size: 13px;
  font-weight: 500;
}

tbody th {
  font-weight: 700;
}

tbody th a {
  color: var(--ink);
  font-size: 1.05rem;
}

tbody tr:hover {
  background: #faf4e6;
}

.small {
  margin-left: 8px;
  font-size: 13px;
  font-weight: 400;
}

td .chip {
  margin-right: 5px;
}

.number {
  white-space: nowrap;
}

.meter {
  display: block;
  width: 90px;
  height: 5px;
  margin-top: 4px;
  border-radius: 3px;
  background: var(--stone);
}

.meter span {
  display: block;
  height: 100%;
  border-radius: 3px;
  background: var(--spruce);
}
</style>
