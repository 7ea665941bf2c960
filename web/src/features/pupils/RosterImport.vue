<script setup lang="ts">
import {
  checkRoster,
  guessMapping,
  readOneRoster,
  readOneRosterZip,
  readRoster,
  type RosteredClass,
  type RosterField,
  type RosterTable,
} from '@escalier/core/formats';
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import SaveBar from '../../ui/SaveBar.vue';
import { useSave } from '../../ui/use-save.ts';
import type { NewPupil } from './use-pupils.ts';

/** Pupils from a paste or files: what each column is, each row as it would be, then all of them or none. */
const props = defineProps<{
  there: readonly string[];
  steps: readonly string[];
  today: string;
  add: (pupils: readonly NewPupil[]) => Promise<void>;
}>();
const emit = defineEmits<{ done: [count: number] }>();
const { busy, stored, reason, save } = useSave();

const FIELD_WORDS: Record<RosterField, string> = {
  name: 'shown name',
  'first-name': 'first name',
  'last-name': 'last name',
  'start-step': 'start step',
  'joined-on': 'joined on',
  ignore: 'leave out',
};
const MOST_AT_ONCE = 60;

const text = ref('');
const hasHead = ref<boolean | undefined>(undefined);
const sets = shallowRef<readonly RosteredClass[]>([]);
const set = ref(0);
const trouble = ref<string | null>(null);
const mapping = ref<RosterField[]>([]);
const picker = useTemplateRef('picker');

const table = computed<RosterTable | null>(() => {
  const fromSet = sets.value[set.value];
  if (fromSet !== undefined) return fromSet.table;
  if (text.value.trim() === '') return null;
  const read = readRoster(text.value, hasHead.value);
  return read.ok ? read.value : null;
});
const unread = computed(() => {
  if (table.value !== null || text.value.trim() === '') return null;
  const read = readRoster(text.value);
  return read.ok ? null : read.fault;
});
watch(table, (next) => {
  mapping.value = next === null ? [] : [...guessMapping(next)];
});
const rows = computed(() =>
  table.value === null
    ? []
    : checkRoster(table.value, mapping.value, {
        there: props.there,
        steps: props.steps.length,
        today: props.today,
      }),
);
const good = computed(() => rows.value.filter((row) => row.faults.length === 0));
const wrong = computed(() => rows.value.filter((row) => row.faults.length > 0));

async function readFiles(event: Event): Promise<void> {
  const files = [...((event.target as HTMLInputElement).files ?? [])];
  if (picker.value !== null) picker.value.value = '';
  trouble.value = null;
  sets.value = [];
  const [only] = files;
  if (files.length === 1 && only !== undefined && !/\.zip$/i.test(only.name)) {
    text.value = await only.text();
    return;
  }
  const read =
    files.length === 1 && only !== undefined
      ? readOneRosterZip(new Uint8Array(await only.arrayBuffer()))
      : readOneRoster(await textsOf(files));
  if (read.ok) {
    sets.value = read.value;
    set.value = 0;
  } else trouble.value = read.fault;
}

async function textsOf(files: readonly File[]): Promise<ReadonlyMap<string, string>> {
  const texts = files.map(async (file): Promise<[string, string]> => [file.name.toLowerCase(), await file.text()]);
  return new Map(await Promise.all(texts));
}

async function store(): Promise<void> {
  const pupils = good.value.slice(0, MOST_AT_ONCE).map((row) => row.pupil);
  if (await save(() => props.add(pupils))) {
    text.value = '';
    sets.value = [];
    emit('done', pupils.length);
  }
}
</script>

<template>
  <section class="card-paper">
    <h2>Bring pupils</h2>
    <p>
      Paste names, one a line, or cells from a spreadsheet. Only the shown name is needed; nothing else about a child
      has to be here.
    </p>
    <label class="visually-hidden" for="roster">List of pupils</label>
    <textarea
      id="roster"
      v-model="text"
      class="form-control"
      rows="5"
      placeholder="Abena&#10;Bruno&#10;Cleo"
      spellcheck="false"
      @input="sets = []"
    />
    <div class="line">
      <label class="btn btn-outline-dark btn-sm">
        Read a file
        <input
          ref="picker"
          class="visually-hidden"
          type="file"
          multiple
          accept=".csv,.txt,.tsv,.zip,text/csv"
          @change="readFiles"
        />
      </label>
      <span class="soft">CSV, or a OneRoster set: as one ZIP, or its files together (users, classes, enrollments)</span>
    </div>
    <p v-if="trouble !== null || unread !== null" class="fault" role="alert">{{ trouble ?? unread }}</p>
    <div v-if="sets.length > 0" class="line">
      <label for="set">Class of the set</label>
      <select id="set" v-model="set" class="form-select auto">
        <option v-for="(each, index) in sets" :key="index" :value="index">
          {{ each.title }} ({{ each.table.rows.length }})
        </option>
      </select>
    </div>
    <form v-if="table !== null" @submit.prevent="store">
      <label v-if="sets.length === 0" class="line">
        <input
          class="form-check-input"
          type="checkbox"
          :checked="hasHead ?? table.rows.length < text.trim().split('\n').length"
          @change="hasHead = ($event.target as HTMLInputElement).checked"
        />
        The first line names the columns
      </label>
      <div class="scroll" tabindex="0" role="region" aria-label="Preview of the list">
        <table>
          <thead>
            <tr>
              <th v-for="(column, index) in table.columns" :key="index" scope="col">
                {{ column }}
                <select v-model="mapping[index]" class="form-select form-select-sm" :aria-label="`${column} is`">
                  <option v-for="(label, field) in FIELD_WORDS" :key="field" :value="field">{{ label }}</option>
                </select>
              </th>
              <th scope="col">As it will be</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, index) in rows" :key="row.line" :class="{ wrong: row.faults.length > 0 }">
              <td v-for="(cell, at) in table.rows[index]" :key="at">{{ cell }}</td>
              <td v-if="row.faults.length === 0">
                <strong>{{ row.pupil.name }}</strong><template v-if="row.pupil.startStep > 1"
                  >, from step {{ row.pupil.startStep }}</template
                >
              </td>
              <td v-else class="fault">Line {{ row.line }}: {{ row.faults.join(' ') }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="wrong.length > 0">
        {{ wrong.length }} {{ wrong.length === 1 ? 'line is' : 'lines are' }} left out as long as that stands there.
      </p>
      <p v-if="good.length > MOST_AT_ONCE">A class takes {{ MOST_AT_ONCE }} at once: the first ones are added.</p>
      <SaveBar
        :busy="busy || good.length === 0"
        :stored="stored"
        :fault="reason"
        :label="`Add ${Math.min(good.length, MOST_AT_ONCE)} ${good.length === 1 ? 'pupil' : 'pupils'}`"
      />
    </form>
  </section>
</template>

<style scoped>
section,
form {
  display: grid;
  gap: 10px;
  align-content: start;
}

.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  min-height: 44px;
}

.scroll {
  max-height: 340px;
  overflow: auto;
}

th,
td {
  padding: 4px 12px 4px 0;
  text-align: left;
  vertical-align: top;
}

thead select {
  min-width: 124px;
}

thead th {
  position: sticky;
  top: 0;
  background: var(--card);
}

.wrong td {
  border-top: 1px solid var(--brick);
  border-bottom: 1px solid var(--brick);
}
</style>
